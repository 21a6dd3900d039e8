package nullroom.core.plan.treatment;

/**
 * What keeping to a limit costs.
 *
 * @param limit in words that go before "costs": "keeping wall 2 bare"
 * @param costsDb how much nearer to the goal the best plan found without it comes
 */
public record LimitPrice(String limit, double costsDb) {}
