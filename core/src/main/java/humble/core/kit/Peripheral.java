package humble.core.kit;

import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/** Something on the board that is woken and tested. */
public sealed interface Peripheral {
  /** Gives what all kinds have: name, part, what comes before, and what its author says of it. */
  Named named();

  /** Gives what kind of thing it is. */
  PeripheralKind kind();

  /** Gives the name within the kit. */
  default String id() {
    return named().id();
  }

  /** Gives the ref of the part it belongs to, or empty. */
  default String part() {
    return named().part();
  }

  /** Gives the peripherals and gates that must be awake before. */
  default List<String> after() {
    return named().after();
  }

  /** Gives what its author says of its test. */
  default Says says() {
    return named().says();
  }

  /**
   * What all kinds have.
   *
   * @param id name within the kit
   * @param part ref of the part it belongs to, or empty
   * @param after peripherals and gates that must be awake before
   * @param says what its author says of its test
   */
  record Named(String id, String part, List<String> after, Says says) {
    public Named {
      after = List.copyOf(after);
    }
  }

  /** One light: its anode line and its cathode line, as pins. */
  record Light(String anodePin, String cathodePin, String ref) {}

  /**
   * Lights driven one at a time between lines.
   *
   * @param lights lights in the order of their numbers, from 1
   * @param lines every line, in the kit's order
   * @param volts supply of the lines
   * @param vfV forward voltage of one light
   */
  record Matrix(Named named, List<Light> lights, List<String> lines, double volts, double vfV)
      implements Peripheral {
    public Matrix {
      lights = List.copyOf(lights);
      lines = List.copyOf(lines);
    }

    @Override
    public PeripheralKind kind() {
      return PeripheralKind.MATRIX;
    }
  }

  /**
   * A display.
   *
   * @param widthPx width, in pixels
   * @param heightPx height, in pixels
   * @param colour whether it shows colours
   * @param config how the kit's program sets it up, by the names of facts: {@code turn-deg}, {@code
   *     mirror}, {@code swap-red-blue}, {@code invert}, {@code x-offset-px}, {@code y-offset-px}
   */
  record Display(Named named, int widthPx, int heightPx, boolean colour, Map<String, String> config)
      implements Peripheral {
    public Display {
      config = Map.copyOf(config);
    }

    @Override
    public PeripheralKind kind() {
      return PeripheralKind.DISPLAY;
    }
  }

  /**
   * Lights in a chain, each with a chip in it that hands the data on.
   *
   * @param refs the lights in the order of the chain; none for a strip
   * @param count how many there are
   * @param order the order in which its colours are sent, such as {@code GRB}
   * @param maFull current of one light at full white, in milliamperes
   */
  record Chain(Named named, List<String> refs, int count, String order, double maFull)
      implements Peripheral {
    public Chain {
      refs = List.copyOf(refs);
    }

    @Override
    public PeripheralKind kind() {
      return PeripheralKind.CHAIN;
    }
  }

  /** Parallel lines, bit 0 first, by net or pin. */
  record Lines(Named named, int width, List<String> on) implements Peripheral {
    public Lines {
      on = List.copyOf(on);
    }

    @Override
    public PeripheralKind kind() {
      return PeripheralKind.LINES;
    }
  }

  /**
   * A memory that is written and read back, by hand or by its program.
   *
   * @param on its address lines, bit 0 first, by net or pin
   */
  record Memory(Named named, List<String> on) implements Peripheral {
    public Memory {
      on = List.copyOf(on);
    }

    @Override
    public PeripheralKind kind() {
      return PeripheralKind.MEMORY;
    }
  }

  /**
   * A bus of two wires.
   *
   * @param volts what its lines are pulled up to
   * @param sda net or pin of the data line
   * @param scl net or pin of the clock line
   * @param speedHz its clock
   * @param pf capacitance of the lines themselves
   */
  record Bus(
      Named named,
      double volts,
      String sda,
      String scl,
      double speedHz,
      double pf,
      List<BusDevice> devices)
      implements Peripheral {
    public Bus {
      devices = List.copyOf(devices);
    }

    @Override
    public PeripheralKind kind() {
      return PeripheralKind.I2C;
    }
  }

  /**
   * What hangs on a bus.
   *
   * @param ref the part
   * @param addresses the address as supplied, then those that straps give; none for a bare pull-up
   * @param pullupOhm resistance that it pulls each line up with, null where it has none
   * @param pf capacitance that it adds to each line
   */
  record BusDevice(String ref, List<Integer> addresses, @Nullable Double pullupOhm, double pf) {
    public BusDevice {
      addresses = List.copyOf(addresses);
    }
  }

  /**
   * Something read as a voltage.
   *
   * @param as joystick, pot or light
   * @param counts counts of the whole range
   * @param on the nets or pins that are read
   */
  record Analog(Named named, Sense as, int counts, List<String> on) implements Peripheral {
    public Analog {
      on = List.copyOf(on);
    }

    @Override
    public PeripheralKind kind() {
      return PeripheralKind.ANALOG;
    }
  }

  /** What is read as a voltage. */
  enum Sense {
    JOYSTICK,
    POT,
    LIGHT;

    /** Gives the one of that name in a kit file. */
    public static java.util.Optional<Sense> named(String name) {
      return java.util.Arrays.stream(values()).filter(s -> s.text().equals(name)).findFirst();
    }

    /** Gives the name used in kit files. */
    public String text() {
      return name().toLowerCase(java.util.Locale.ROOT);
    }
  }

  /**
   * Keys.
   *
   * @param refs the keys; in rows, row by row
   * @param rows the lines that are driven, none where each key has a line of its own
   * @param columns the lines that are read
   * @param diodes whether every key has a diode
   */
  record Buttons(
      Named named, List<String> refs, List<String> rows, List<String> columns, boolean diodes)
      implements Peripheral {
    public Buttons {
      refs = List.copyOf(refs);
      rows = List.copyOf(rows);
      columns = List.copyOf(columns);
    }

    @Override
    public PeripheralKind kind() {
      return PeripheralKind.BUTTONS;
    }
  }

  /** A sounder that should give so many hertz; 0 where the kit does not say. */
  record Tone(Named named, double hz) implements Peripheral {
    @Override
    public PeripheralKind kind() {
      return PeripheralKind.TONE;
    }
  }

  /** A clock of so many hertz that may be so many millionths off. */
  record Clock(Named named, double hz, double ppm) implements Peripheral {
    @Override
    public PeripheralKind kind() {
      return PeripheralKind.CLOCK;
    }
  }

  /** A beam from a lamp to a sensor. */
  record LightGate(Named named, String lamp) implements Peripheral {
    @Override
    public PeripheralKind kind() {
      return PeripheralKind.LIGHT_GATE;
    }
  }

  /** A radio of so many hertz; {@code velocityFactor} is that of its wire. */
  record Radio(Named named, double hz, double velocityFactor) implements Peripheral {
    @Override
    public PeripheralKind kind() {
      return PeripheralKind.RADIO;
    }
  }

  /**
   * Something that is driven and moves, switches or turns: a relay, a motor, a magnet.
   *
   * @param on the pin that drives it, or empty
   */
  record Driven(Named named, String on) implements Peripheral {
    @Override
    public PeripheralKind kind() {
      return PeripheralKind.DRIVEN;
    }
  }

  /**
   * Serial talk.
   *
   * @param clockHz clock that its rate is divided from, null where the kit does not say
   */
  record Talk(Named named, double baud, @Nullable Double clockHz) implements Peripheral {
    @Override
    public PeripheralKind kind() {
      return PeripheralKind.SERIAL;
    }
  }

  /**
   * Something without a controller: what goes in at one pin comes out at another.
   *
   * @param through pairs of pins or nets
   */
  record Passive(Named named, List<List<String>> through) implements Peripheral {
    public Passive {
      through = through.stream().map(List::copyOf).toList();
    }

    @Override
    public PeripheralKind kind() {
      return PeripheralKind.PASSIVE;
    }
  }

  /**
   * What is tried by looking and doing: an encoder, a card, a part that tests itself, or anything
   * that its author describes.
   */
  record Tried(Named named, PeripheralKind kind, List<String> refs) implements Peripheral {
    public Tried {
      refs = List.copyOf(refs);
    }
  }
}
