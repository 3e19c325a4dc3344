package humble.core.kit;

import java.util.List;

/** Something on the board that is woken and tested. */
public sealed interface Peripheral {
  /** Gives what kind of thing it is. */
  PeripheralKind kind();

  /** Gives the name within the kit. */
  String id();

  /** Gives the ref of the part it belongs to, or empty. */
  String part();

  /** Gives the peripherals and gates that must be awake before. */
  List<String> after();

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
  record Matrix(
      String id,
      String part,
      List<String> after,
      List<Light> lights,
      List<String> lines,
      double volts,
      double vfV)
      implements Peripheral {
    public Matrix {
      after = List.copyOf(after);
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
   */
  record Display(
      String id, String part, List<String> after, int widthPx, int heightPx, boolean colour)
      implements Peripheral {
    public Display {
      after = List.copyOf(after);
    }

    @Override
    public PeripheralKind kind() {
      return PeripheralKind.DISPLAY;
    }
  }

  /** A peripheral whose test is by eye and hand. */
  record Other(String id, String part, List<String> after, PeripheralKind kind, List<String> refs)
      implements Peripheral {
    public Other {
      after = List.copyOf(after);
      refs = List.copyOf(refs);
    }
  }
}
