package humble.desktop.session;

import java.util.Optional;
import java.util.concurrent.atomic.AtomicBoolean;

/**
 * Work in the background that somebody asked for. It ends once, as done, failed or called off; who
 * asked is told only of what it was not called off before. Its state is used on the interface
 * thread only, except for {@link #isCalledOff}.
 */
public final class Errand<T> {
  private final AtomicBoolean calledOff = new AtomicBoolean();
  private State state = new State.Running();

  /** What became of it. */
  sealed interface State {
    /** Nothing yet. */
    record Running() implements State {}

    /** It is done, and its result was handed over. */
    record Done() implements State {}

    /** A fault of the program ended it. */
    record Failed(String sentence) implements State {}

    /** Nobody waits for it any more. */
    record CalledOff() implements State {}
  }

  Errand() {}

  /** Gives one that is over: nothing was asked for yet. */
  public static Errand<?> over() {
    Errand<?> over = new Errand<>();
    over.cancel();
    return over;
  }

  /** Tells whether it is still being worked at. */
  public boolean isRunning() {
    return state instanceof State.Running;
  }

  /** Gives one sentence about the fault that ended it; empty when none did. */
  public Optional<String> failed() {
    return state instanceof State.Failed failed ? Optional.of(failed.sentence()) : Optional.empty();
  }

  /** Calls it off: its result will not be handed over. */
  public void cancel() {
    calledOff.set(true);
    end(new State.CalledOff());
  }

  /** Tells the work, from any thread, that nobody waits for it. */
  public boolean isCalledOff() {
    return calledOff.get();
  }

  /** Ends it, unless it ended before; tells whether it did now. */
  boolean end(State how) {
    boolean running = isRunning();
    if (running) {
      state = how;
    }
    return running;
  }
}
