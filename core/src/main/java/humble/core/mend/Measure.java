package humble.core.mend;

import humble.core.kit.BoardState;
import humble.core.kit.Model;
import humble.core.kit.Parts;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Something that can be measured or looked at on a board. */
public sealed interface Measure {
  /** The volts of a net or of a part's own lead against ground: {@code V(5V)}, {@code V(R3.2)}. */
  record Volts(String point) implements Measure {
    @Override
    public String toString() {
      return "V(" + point + ")";
    }
  }

  /** The volts between two points. */
  record Across(String red, String black) implements Measure {
    @Override
    public String toString() {
      return "V(" + red + "," + black + ")";
    }
  }

  /** The current out of the supply, by its id, or of a battery, by its ref. */
  record Amps(String source) implements Measure {
    @Override
    public String toString() {
      return "I(" + source + ")";
    }
  }

  /** The ohms between two nets, unpowered. */
  record Ohms(String red, String black) implements Measure {
    @Override
    public String toString() {
      return "R(" + red + "," + black + ")";
    }
  }

  /** A look at a light. */
  record Look(String ref) implements Measure {
    @Override
    public String toString() {
      return "look(" + ref + ")";
    }
  }

  /** Gives the unit of the value, in text; empty for a look. */
  default String unit() {
    return switch (this) {
      case Volts m -> "V";
      case Across m -> "V";
      case Amps m -> "A";
      case Ohms m -> "Ω";
      case Look m -> "";
    };
  }

  private static boolean gives(String source, Parts parts, BoardState state) {
    return source.equals(state.supply())
        || parts
            .part(source)
            .filter(part -> part.model() instanceof Model.Battery && parts.isOn(source, state))
            .isPresent();
  }

  /** Reads a measure; empty when it is none or names what the kit does not have in this state. */
  static Optional<Measure> parse(String text, Parts parts, BoardState state) {
    Matcher call = Pattern.compile("(V|I|R|look)\\((.+)\\)").matcher(text.strip());
    if (!call.matches()) {
      return Optional.empty();
    }
    String inside = call.group(2).strip();
    // A net may carry a comma in its name: only what is no point as a whole is two points.
    int comma = parts.net(inside).isPresent() ? -1 : inside.indexOf(',');
    String one = comma < 0 ? inside : inside.substring(0, comma).strip();
    String other = comma < 0 ? "" : inside.substring(comma + 1).strip();
    boolean points = parts.net(one).isPresent() && (comma < 0 || parts.net(other).isPresent());
    return switch (call.group(1)) {
      case "V" ->
          !points
              ? Optional.empty()
              : Optional.of(comma < 0 ? new Volts(one) : new Across(one, other));
      case "R" -> points && comma > 0 ? Optional.of(new Ohms(one, other)) : Optional.empty();
      case "I" -> gives(inside, parts, state) ? Optional.of(new Amps(inside)) : Optional.empty();
      default -> parts.part(inside).isPresent() ? Optional.of(new Look(inside)) : Optional.empty();
    };
  }
}
