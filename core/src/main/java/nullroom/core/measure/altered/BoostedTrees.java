package nullroom.core.measure.altered;

import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import nullroom.core.Table;
import org.apache.commons.csv.CSVRecord;

/**
 * Trees of questions, each about one trace, whose answers are added up. In the table a question
 * stands before all that is asked where the trace is no more than its limit, and that before all
 * that is asked where it is; where nothing more is asked stands what is added. The trees follow one
 * another.
 */
final class BoostedTrees {
  private final List<Node> trees = new ArrayList<>();

  /**
   * Of a table.
   *
   * @param beside the class beside which the table lies
   */
  BoostedTrees(Class<?> beside, String table) {
    Iterator<CSVRecord> rows = Table.rows(beside, table).iterator();
    while (rows.hasNext()) {
      trees.add(Node.next(rows));
    }
  }

  private sealed interface Node {
    double of(double[] traces);

    private static Node next(Iterator<CSVRecord> rows) {
      CSVRecord row = rows.next();
      return row.get("trace").isEmpty()
          ? new Answer(Table.number(row, "adds"))
          : new Question(
              Trace.valueOf(row.get("trace")).ordinal(),
              Table.number(row, "at"),
              Boolean.parseBoolean(row.get("lost_below")),
              next(rows),
              next(rows));
    }
  }

  private record Answer(double adds) implements Node {
    @Override
    public double of(double[] traces) {
      return adds;
    }
  }

  /**
   * One question.
   *
   * @param at what is no more than it lies below
   * @param lostBelow whether a trace that shows nothing does, too
   */
  private record Question(int ordinal, double at, boolean lostBelow, Node below, Node above)
      implements Node {
    @Override
    public double of(double[] traces) {
      double trace = traces[ordinal];
      return (Double.isNaN(trace) ? lostBelow : trace <= at) ? below.of(traces) : above.of(traces);
    }
  }

  /** The sum of all answers. */
  double of(double[] traces) {
    return trees.stream().mapToDouble(t -> t.of(traces)).sum();
  }
}
