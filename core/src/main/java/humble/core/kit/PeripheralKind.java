package humble.core.kit;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** The kinds of thing on a board that is woken. */
public enum PeripheralKind {
  /** Lights between lines, driven one at a time. */
  MATRIX,
  /** A display. */
  DISPLAY,
  /** Lights in a chain, each with a chip in it. */
  CHAIN,
  /** Parallel lines: a data bus, an address bus, a port. */
  LINES,
  /** A memory that is written and read back. */
  MEMORY,
  /** Chips on a bus of two wires. */
  I2C,
  /** Something read as a voltage. */
  ANALOG,
  /** Buttons and switches. */
  BUTTONS,
  /** A sounder. */
  TONE,
  /** A clock that keeps time. */
  CLOCK,
  /** A beam of light that is broken. */
  LIGHT_GATE,
  /** A radio. */
  RADIO,
  /** A relay, a motor, a magnet: something that is driven. */
  DRIVEN,
  /** Serial talk. */
  SERIAL,
  /** Something that is turned and counts its steps. */
  ENCODER,
  /** A memory card. */
  CARD,
  /** Something without a controller. */
  PASSIVE,
  /** A part that tests itself and shows a sign. */
  SELF_TEST,
  /** Anything else, as its author describes it. */
  OTHER;

  /** Gives the one of that name in a kit file. */
  public static Optional<PeripheralKind> named(String name) {
    return Arrays.stream(values()).filter(each -> each.text().equals(name)).findFirst();
  }

  /** Gives the names of all, in the order told to people. */
  public static List<String> names() {
    return Arrays.stream(values()).map(PeripheralKind::text).toList();
  }

  /** Gives the name used in kit files. */
  public String text() {
    return name().toLowerCase(Locale.ROOT).replace('_', '-');
  }
}
