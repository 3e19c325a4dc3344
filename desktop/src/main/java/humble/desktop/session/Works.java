package humble.desktop.session;

import humble.core.circuit.Cancelled;
import java.util.Objects;
import java.util.concurrent.Executor;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;

/**
 * The work in the background of one build. Every errand is asked for by somebody, who may call it
 * off; a fault in it is written to the log and told as a sentence; putting the build away ends all.
 */
public final class Works {
  private final Bench bench;
  private final Runnable changed;
  private volatile boolean closed;
  private String failed = "";

  Works(Bench bench, Runnable changed) {
    this.bench = bench;
    this.changed = changed;
  }

  /** Works {@code job} out in the background; {@code then} takes its result. */
  public <T> Errand<T> start(Job<T> job, Consumer<T> then) {
    return start(bench.background(), job, then);
  }

  /**
   * Talks to a link on the thread of that link: one that hangs stops nothing but what waits for the
   * same link.
   */
  public <T> Errand<T> talk(String link, Job<T> job, Consumer<T> then) {
    return start(bench.links().of(link), job, then);
  }

  private <T> Errand<T> start(Executor where, Job<T> job, Consumer<T> then) {
    Errand<T> errand = new Errand<>();
    where.execute(() -> run(errand, job, then));
    return errand;
  }

  private <T> void run(Errand<T> errand, Job<T> job, Consumer<T> then) {
    AtomicReference<T> made = new AtomicReference<>();
    Throwable fault = null;
    if (!errand.isCalledOff()) {
      try {
        made.set(job.work(() -> closed || errand.isCalledOff()));
      } catch (Cancelled e) {
        bench.later().execute(errand::cancel);
        return;
      } catch (RuntimeException | Error e) {
        // Whatever ends the work is told: a thread that dies would take it along without a word.
        fault = e;
      }
    }
    Throwable thrown = fault;
    bench.later().execute(() -> end(errand, made, thrown, then));
  }

  private <T> void end(
      Errand<T> errand, AtomicReference<T> made, @Nullable Throwable fault, Consumer<T> then) {
    if (closed) {
      errand.cancel();
    } else if (fault != null) {
      String sentence = bench.faults().told("Work in the background failed", fault);
      failed = sentence;
      errand.end(new Errand.State.Failed(sentence));
      changed.run();
    } else if (errand.end(new Errand.State.Done())) {
      bench
          .carefully()
          .run(() -> {
            then.accept(Objects.requireNonNull(made.get()));
            changed.run();
          });
    }
  }

  /** Gives one sentence about the last errand that failed since the person last did something. */
  String failed() {
    return failed;
  }

  /** The person does something: what failed before has been read. */
  void acted() {
    failed = "";
  }

  /** Shows soon, from any thread, how far long work is. */
  public void tell() {
    bench
        .later()
        .execute(() -> {
          if (!closed) {
            changed.run();
          }
        });
  }

  /** Ends all work of the build without a word. */
  void close() {
    closed = true;
  }
}
