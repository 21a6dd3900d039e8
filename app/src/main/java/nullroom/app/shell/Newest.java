package nullroom.app.shell;

import java.util.concurrent.CancellationException;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.Executor;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.Consumer;
import javafx.application.Platform;
import nullroom.core.Progress;

/**
 * Work off the FX thread of which only the newest counts: it begins once requests have rested for a
 * moment, is cancelled by the next, and is heard on the FX thread only while no newer one was
 * asked.
 */
public final class Newest {
  /** What is being dragged is not worked on at every step. */
  private static final long REST_MILLIS = 150;

  private final Executor executor;
  private final Consumer<String> onTrouble;
  private final AtomicLong wanted = new AtomicLong();

  /**
   * Work done on an executor.
   *
   * @param onTrouble told in a sentence, on the FX thread, what went wrong in work that still
   *     counts
   */
  public Newest(Executor executor, Consumer<String> onTrouble) {
    this(executor, REST_MILLIS, onTrouble);
  }

  /** The same, begun once requests have rested for so long. */
  public Newest(Executor executor, long restMillis, Consumer<String> onTrouble) {
    this.executor = CompletableFuture.delayedExecutor(restMillis, TimeUnit.MILLISECONDS, executor);
    this.onTrouble = onTrouble;
  }

  /** One request, as its work sees it; as a progress it cancels the work when it is stale. */
  public final class Request implements Progress {
    private final long mine = wanted.incrementAndGet();

    private Request() {}

    private boolean stale() {
      return mine != wanted.get();
    }

    @Override
    public void step(long done, long total) {
      if (stale()) {
        throw new CancellationException();
      }
    }

    /** Says something on the FX thread, unless it is stale by then. */
    public void tell(Runnable news) {
      Platform.runLater(() -> {
        if (!stale()) {
          news.run();
        }
      });
    }
  }

  /** Asks for work, in place of what was asked before; works on what it was handed alone. */
  public void ask(Consumer<Request> work) {
    Request request = new Request();
    executor.execute(() -> {
      try {
        request.step(0, 1);
        work.accept(request);
      } catch (CancellationException stale) {
        // a newer request, or nobody, wants to know
      } catch (Throwable e) { // an Error, too, is said and not lost with its thread
        request.tell(() -> onTrouble.accept("Something unexpected went wrong: " + e));
        throw e;
      }
    });
  }

  /** Wants nothing any more, from any thread. */
  public void cancel() {
    wanted.incrementAndGet();
  }
}
