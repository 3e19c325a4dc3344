package humble.desktop.session;

import java.util.concurrent.Executor;
import java.util.function.Supplier;

/**
 * What a build leans on: who works in the background, who waits, and who is told when something
 * fails.
 *
 * @param background runs what takes a moment
 * @param links runs what talks to a link
 * @param later runs something on the interface thread
 * @param patience waits off the interface thread
 * @param carefully runs something on the interface thread whose acts may fail to be written
 * @param faults writes faults down and gives a sentence about them
 */
public record Bench(
    Executor background,
    Links links,
    Executor later,
    Patience patience,
    Carefully carefully,
    Faults faults) {
  /** Waits for something off the interface thread, which goes on drawing meanwhile. */
  public interface Patience {
    /** Runs {@code work} elsewhere and gives its result here; what it throws is thrown here. */
    <T> T await(Supplier<T> work);
  }

  /** Runs something; an act of it that could not be written is told and can be tried again. */
  public interface Carefully {
    /** Runs {@code work}, now and perhaps once more. */
    void run(Runnable work);
  }

  /** Writes faults of the program down. */
  public interface Faults {
    /** Writes a fault down and gives one sentence for the card. */
    String told(String what, Throwable fault);
  }

  /** Waits where it stands: for walks and tests without a window. */
  public static final Patience ON_THE_SPOT =
      new Patience() {
        @Override
        public <T> T await(Supplier<T> work) {
          return work.get();
        }
      };
}
