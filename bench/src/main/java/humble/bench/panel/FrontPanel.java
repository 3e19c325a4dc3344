package humble.bench.panel;

import humble.core.kit.Panel;
import java.util.Random;

/**
 * The front panel of {@code docs/processor.md}: keys, switches and lights of a machine with the
 * small processor. What is wrong with its wires is wrong with what it shows and takes.
 */
public final class FrontPanel {
  /** Lights of the panel. */
  public record Lights(int address, int data, boolean run) {}

  private final Processor processor;
  private final Wires wires;
  private int switches;

  /** Makes a panel that has just been switched on. */
  public FrontPanel(Random random, Wires wires) {
    this.processor = new Processor(random, wires);
    this.wires = wires;
  }

  /** Gives the processor behind it. */
  public Processor processor() {
    return processor;
  }

  /** Sets the eight switches. */
  public void set(int value) {
    switches = value & 0xff;
  }

  /** Gives how the eight switches stand. */
  public int set() {
    return switches;
  }

  /** Gives what the processor sees of the switches. */
  public int switches() {
    return wires.carried(Wires.Way.SWITCHES_TO_PROCESSOR, switches);
  }

  /** Presses a key; while it runs only stop and reset do anything. */
  public void press(Panel.Key key) {
    boolean running = processor.seen().running();
    if (running && key != Panel.Key.STOP && key != Panel.Key.RESET) {
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
    processor.put(processor.cell(address), wires.carried(Wires.Way.SWITCHES_TO_MEMORY, switches));
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
    return new Lights(
        wires.carried(Wires.Way.ADDRESS_TO_LIGHTS, seen.p()),
        seen.shown() >= 0
            ? wires.carried(Wires.Way.PROCESSOR_TO_LIGHTS, seen.shown())
            : wires.carried(Wires.Way.MEMORY_TO_LIGHTS, processor.at(processor.cell(seen.p()))),
        seen.running());
  }
}
