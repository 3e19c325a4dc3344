package humble.bench.panel;

import java.util.Random;

/**
 * The small processor of {@code docs/processor.md}: eight bits, 256 bytes, an accumulator and two
 * flags. It runs whatever stands in its memory.
 */
public final class Processor {
  /** How many bytes its memory has. */
  public static final int BYTES = 256;

  private final int[] memory = new int[BYTES];
  private final Wires wires;
  private int a;
  private int p;
  private boolean zero;
  private boolean carry;
  private boolean running;
  private int shown = -1;

  /** Switches it on: memory, accumulator and flags are whatever they happen to be. */
  public Processor(Random random, Wires wires) {
    this.wires = wires;
    for (int i = 0; i < BYTES; i++) {
      memory[i] = random.nextInt(256);
    }
    a = random.nextInt(256);
    p = random.nextInt(256);
    zero = random.nextBoolean();
    carry = random.nextBoolean();
  }

  /** Everything that can be seen of it from outside, memory apart. */
  public record Seen(int a, int p, boolean zero, boolean carry, boolean running, int shown) {}

  /**
   * Gives what can be seen of it; {@code shown} is what {@code OUT} put on the data lights, -1 for
   * nothing.
   */
  public Seen seen() {
    return new Seen(a, p, zero, carry, running, shown);
  }

  /** Gives the byte that a cell of the memory holds, 0 to 255. */
  public int at(int cell) {
    return memory[cell & 0xff];
  }

  /** Gives the cell that the memory takes an address for. */
  int cell(int address) {
    return wires.carried(Wires.Way.ADDRESS_TO_MEMORY, address & 0xff) & 0xff;
  }

  /** Puts a byte into a cell. */
  void put(int cell, int value) {
    memory[cell & 0xff] = value & 0xff;
  }

  private int read(int address) {
    return wires.carried(Wires.Way.MEMORY_TO_PROCESSOR, memory[cell(address)]);
  }

  private void write(int address) {
    memory[cell(address)] = wires.carried(Wires.Way.PROCESSOR_TO_MEMORY, a);
  }

  /** Goes to an address. */
  void go(int address) {
    p = address & 0xff;
    shown = -1;
  }

  /** Begins to run, or stands still. */
  void run(boolean on) {
    running = on;
    shown = -1;
  }

  /** Goes to the first address and stands still. */
  public void reset() {
    running = false;
    go(0);
  }

  private int fetch() {
    int value = read(p);
    p = p + 1 & 0xff;
    return value;
  }

  /**
   * Does one instruction.
   *
   * @param switches how the eight data switches stand
   */
  public void step(int switches) {
    int code = fetch();
    switch (code) {
      case 0x00 -> {}
      case 0x10 -> load(fetch());
      case 0x11 -> load(read(fetch()));
      case 0x12 -> write(fetch());
      case 0x13 -> load(read(read(fetch())));
      case 0x14 -> write(read(fetch()));
      case 0x20 -> add(read(fetch()));
      case 0x21 -> subtract(read(fetch()));
      case 0x22 -> add(fetch());
      case 0x23 -> subtract(fetch());
      case 0x30 -> load(a & read(fetch()));
      case 0x31 -> load(a | read(fetch()));
      case 0x32 -> load(a ^ read(fetch()));
      case 0x33 -> load(~a);
      case 0x40 -> {
        int turned = a << 1 | (carry ? 1 : 0);
        carry = turned > 0xff;
        load(turned);
      }
      case 0x41 -> {
        int turned = a >> 1 | (carry ? 0x80 : 0);
        carry = (a & 1) == 1;
        load(turned);
      }
      case 0x42 -> load(a + 1);
      case 0x43 -> load(a - 1);
      case 0x50 -> jump(true);
      case 0x51 -> jump(zero);
      case 0x52 -> jump(!zero);
      case 0x53 -> jump(carry);
      case 0x54 -> jump(!carry);
      case 0x60 -> load(switches);
      case 0x61 -> shown = a;
      // 01 is HLT, and what is no instruction stands still as well.
      default -> running = false;
    }
  }

  private void load(int value) {
    a = value & 0xff;
    zero = a == 0;
  }

  private void add(int value) {
    carry = a + value > 0xff;
    load(a + value);
  }

  private void subtract(int value) {
    carry = a < value;
    load(a - value);
  }

  private void jump(boolean so) {
    int to = fetch();
    if (so) {
      p = to;
    }
  }
}
