package humble.bench.panel;

import java.util.Random;

/**
 * The front panel of {@code docs/processor.md}: keys, switches and lights of a machine with the
 * small processor. What is wrong with its lines is wrong with what it shows and takes.
 */
public final class FrontPanel {
  /** A key of the panel. */
  public enum Key {
    EXAMINE,
    EXAMINE_NEXT,
    DEPOSIT,
    DEPOSIT_NEXT,
    RUN,
    STOP,
    SINGLE_STEP,
    RESET
  }

  /**
   * What is wrong with the eight lines of a bus or with the switches.
   *
   * @param low lines that stay low, as bits
   * @param high lines that stay high
   * @param joined lines that are joined: high is taken for all of them when one is high
   */
  public record Lines(int low, int high, int joined) {
    /** Nothing is wrong. */
    public static final Lines SOUND = new Lines(0, 0, 0);

    /** Gives what comes through of a byte. */
    public int through(int value) {
      int with = (value & joined) == 0 ? value : value | joined;
      return (with & ~low | high) & 0xff;
    }
  }

  /** Lights of the panel. */
  public record Lights(int address, int data, boolean run) {}

  private final Processor processor;
  private final Lines data;
  private final Lines switchLines;
  private int switches;

  /**
   * Makes a panel that has just been switched on.
   *
   * @param data the data lines between memory and everything else
   * @param switchLines the switches: one that does not make stays low
   */
  public FrontPanel(Random random, Lines data, Lines switchLines) {
    this.processor = new Processor(random);
    this.data = data;
    this.switchLines = switchLines;
  }

  /** Gives the processor behind it. */
  public Processor processor() {
    return processor;
  }

  /** Sets the eight switches. */
  public void set(int value) {
    switches = value & 0xff;
  }

  /** Gives what the machine sees of the switches. */
  public int switches() {
    return switchLines.through(switches);
  }

  /** Presses a key; while it runs only stop and reset do anything. */
  public void press(Key key) {
    boolean running = processor.seen().running();
    if (running && key != Key.STOP && key != Key.RESET) {
      return;
    }
    int p = processor.seen().p();
    switch (key) {
      case EXAMINE -> processor.go(switches());
      case EXAMINE_NEXT -> processor.go(p + 1);
      case DEPOSIT -> deposit(p);
      case DEPOSIT_NEXT -> {
        processor.go(p + 1);
        deposit(p + 1);
      }
      case RUN -> processor.run(true);
      case STOP -> processor.run(false);
      case SINGLE_STEP -> {
        processor.run(true);
        processor.step(switches());
        processor.run(false);
      }
      case RESET -> processor.reset();
    }
  }

  private void deposit(int address) {
    processor.put(address, data.through(switches()));
    processor.go(address);
  }

  /**
   * Runs at most so many instructions.
   *
   * @return how many were done before it stood still
   */
  public int run(int most) {
    int done = 0;
    while (done < most && processor.seen().running()) {
      processor.step(switches());
      done++;
    }
    return done;
  }

  /** Gives what the lights show. */
  public Lights lights() {
    Processor.Seen seen = processor.seen();
    int byteThere = processor.at(seen.p());
    return new Lights(
        seen.p(), data.through(seen.shown() >= 0 ? seen.shown() : byteThere), seen.running());
  }
}
