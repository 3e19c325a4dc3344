package humble.core.circuit;

import humble.core.kit.PinRef;
import humble.core.units.Quantity;
import humble.core.units.QuantityText;
import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;

/** One thing that is wrong with a board, as an edit of its circuit. */
public sealed interface Fault {
  /** Gives the parts it is at, the first one first. */
  default List<String> refs() {
    return switch (this) {
      case OpenJoint f -> List.of(f.pin().ref());
      case Bridge f -> List.of(f.a().ref(), f.b().ref());
      case Reversed f -> List.of(f.ref());
      case Swapped f -> List.of(f.a(), f.b());
      case WrongValue f -> List.of(f.ref());
      case Missing f -> List.of(f.ref());
      case Dead f -> List.of(f.ref());
      case Cold f -> List.of(f.pin().ref());
      case Blank f -> List.of(f.ref());
      case Stuck f -> List.of(f.pin().ref());
      case Off f -> List.of(f.what());
    };
  }

  /** A pin that does not touch its pad. */
  record OpenJoint(PinRef pin) implements Fault {
    @Override
    public String toString() {
      return "open:" + pin;
    }
  }

  /** A bridge between two pins. */
  record Bridge(PinRef a, PinRef b) implements Fault {
    @Override
    public String toString() {
      return "short:" + a + "-" + b;
    }
  }

  /** A part turned by half a turn. */
  record Reversed(String ref) implements Fault {
    @Override
    public String toString() {
      return "reversed:" + ref;
    }
  }

  /** Two parts that sit in each other's place. */
  record Swapped(String a, String b) implements Fault {
    @Override
    public String toString() {
      return "swapped:" + a + "-" + b;
    }
  }

  /** A resistor of another value, in ohms. */
  record WrongValue(String ref, double ohms, String text) implements Fault {
    @Override
    public String toString() {
      return "value:" + ref + "=" + text;
    }
  }

  /** A part that is not there. */
  record Missing(String ref) implements Fault {
    @Override
    public String toString() {
      return "missing:" + ref;
    }
  }

  /** A part that is there and does nothing. */
  record Dead(String ref) implements Fault {
    @Override
    public String toString() {
      return "dead:" + ref;
    }
  }

  /** A joint that conducts badly: so many ohms in series with one lead. */
  record Cold(PinRef pin, double ohms) implements Fault {
    /** What a cold joint has where nobody says how much. */
    public static final double USUAL_OHM = 100;

    /** Makes one of the usual resistance. */
    public Cold(PinRef pin) {
      this(pin, USUAL_OHM);
    }

    @Override
    public String toString() {
      return "cold:"
          + pin
          + (ohms == USUAL_OHM
              ? ""
              : "=" + BigDecimal.valueOf(ohms).stripTrailingZeros().toPlainString());
    }
  }

  /** A chip that runs no program: it takes its current and drives no pin. */
  record Blank(String ref) implements Fault {
    @Override
    public String toString() {
      return "blank:" + ref;
    }
  }

  /** An output that stands at one level whatever the chip wants of it. */
  record Stuck(PinRef pin, boolean high) implements Fault {
    @Override
    public String toString() {
      return "stuck:" + pin + "=" + (high ? HIGH : LOW);
    }
  }

  /**
   * What should feed the board does not: the supply is off or its plug not home, or a switch that
   * the state has closed is open.
   *
   * @param what {@code supply}, or the ref of the switch
   */
  record Off(String what) implements Fault {
    /** What stands for the supply of the state. */
    public static final String SUPPLY = "supply";

    /** Tells whether it is the supply. */
    public boolean isSupply() {
      return what.equals(SUPPLY);
    }

    @Override
    public String toString() {
      return "off:" + what;
    }
  }

  /** The level of an output at its chip's plus. */
  String HIGH = "high";

  /** The level of an output at its chip's minus. */
  String LOW = "low";

  /**
   * Reads a fault as the command line writes it, such as {@code open:R3.2}; empty when it is none.
   */
  static Optional<Fault> parse(String text) {
    int colon = text.indexOf(':');
    if (colon < 0) {
      return Optional.empty();
    }
    String rest = text.substring(colon + 1);
    String[] pair = rest.split("-", 2);
    return switch (text.substring(0, colon)) {
      case "open" -> PinRef.parse(rest).map(OpenJoint::new);
      case "short" ->
          pair.length < 2
              ? Optional.empty()
              : PinRef.parse(pair[0])
                  .flatMap(a -> PinRef.parse(pair[1]).map(b -> new Bridge(a, b)));
      case "reversed" -> Optional.of(new Reversed(rest));
      case "swapped" ->
          pair.length < 2 ? Optional.empty() : Optional.of(new Swapped(pair[0], pair[1]));
      case "value" -> wrongValue(rest);
      case "missing" -> Optional.of(new Missing(rest));
      case "dead" -> Optional.of(new Dead(rest));
      case "cold" -> cold(rest);
      case "blank" -> Optional.of(new Blank(rest));
      case "stuck" -> stuck(rest);
      case "off" -> Optional.of(new Off(rest));
      default -> Optional.empty();
    };
  }

  private static Optional<Fault> stuck(String rest) {
    int equals = rest.indexOf('=');
    String level = rest.substring(equals + 1);
    return equals > 0 && (level.equals(HIGH) || level.equals(LOW))
        ? PinRef.parse(rest.substring(0, equals)).map(pin -> new Stuck(pin, level.equals(HIGH)))
        : Optional.empty();
  }

  private static Optional<Fault> cold(String rest) {
    int equals = rest.indexOf('=');
    if (equals < 0) {
      return PinRef.parse(rest).map(Cold::new);
    }
    return Quantity.parse(rest.substring(equals + 1)) instanceof QuantityText.Read read
            && read.value() > 0
        ? PinRef.parse(rest.substring(0, equals)).map(pin -> new Cold(pin, read.value()))
        : Optional.empty();
  }

  private static Optional<Fault> wrongValue(String rest) {
    int equals = rest.indexOf('=');
    if (equals > 0
        && Quantity.parse(rest.substring(equals + 1)) instanceof QuantityText.Read read
        && read.value() > 0) {
      return Optional.of(
          new WrongValue(rest.substring(0, equals), read.value(), rest.substring(equals + 1)));
    }
    return Optional.empty();
  }
}
