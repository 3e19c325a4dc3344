package humble.core.kit;

import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * One part of a kit with all that is known of it.
 *
 * @param ref reference designator
 * @param line its entry in the parts list
 * @param pack its package
 * @param place where it sits, null when it has no printed place
 * @param model its electrical model, the kit's or the usual one of its kind
 */
public record Part(String ref, Line line, PartPackage pack, @Nullable Place place, Model model) {
  /** Gives any one part of a line without designators: its ref is empty, and it has no place. */
  public static Part anyOf(Line line, PartPackage pack) {
    return new Part("", line, pack, null, UsualModel.of(line, pack));
  }

  /** Gives a part as it would sit at a place, its leads formed for it. */
  public static Part at(String ref, Line line, PartPackage pack, Place place) {
    return new Part(ref, line, pack.formedFor(place), place, UsualModel.of(line, pack));
  }

  /** Gives where it sits. */
  public Optional<Place> placed() {
    return Optional.ofNullable(place);
  }

  /** Tells whether it is there to be pressed, turned, or to sense: whether it can do nothing. */
  public boolean mayBeIdle() {
    PartKind kind = line.kind();
    return kind.is(PartKind.Fact.PUSHED)
        || kind.is(PartKind.Fact.HANDLED)
        || kind == PartKind.JUMPER
        || kind == PartKind.SENSOR
        || kind == PartKind.LDR;
  }

  /**
   * Gives the pins that its current flows through; of contacts and knobs all that may carry any.
   */
  public List<String> currentPins() {
    return switch (model) {
      case Model.Load load -> List.of(load.plus(), load.minus());
      case Model.Closed closed -> pack.pins().size() == 2 ? ModelPins.of(model) : List.of();
      case Model.Switch m -> ModelPins.of(m).stream().distinct().toList();
      case Model.Resistor m -> ModelPins.of(m);
      case Model.Junction m -> ModelPins.of(m);
      case Model.Zener m -> ModelPins.of(m);
      case Model.Bipolar m -> ModelPins.of(m);
      case Model.Mosfet m -> ModelPins.of(m);
      case Model.Regulator m -> ModelPins.of(m);
      case Model.Battery m -> ModelPins.of(m);
      case Model.Pot m -> ModelPins.of(m);
      case Model.Open m -> ModelPins.of(m);
    };
  }

  /** Gives the pin number that a number or alias ({@code k a + -}) stands for. */
  public Optional<String> pinNumber(String pinOrAlias) {
    String number =
        switch (pinOrAlias) {
          case "k" -> line.kind().isDiode() ? "1" : pinOrAlias;
          case "a" -> line.kind().isDiode() ? "2" : pinOrAlias;
          case "+" -> line.kind().hasPlus() ? "1" : pinOrAlias;
          case "-" -> line.kind().hasPlus() ? "2" : pinOrAlias;
          default -> pinOrAlias;
        };
    return pack.pin(number).map(PackagePin::number);
  }

  /** Gives what a pin is called on this part: {@code cathode}, {@code +}, or its number. */
  public String pinName(String number) {
    if (line.kind().isDiode()) {
      return number.equals("1") ? "cathode" : "anode";
    }
    if (line.way() == PartKind.Way.PLUS_FIRST) {
      return number.equals("1") ? "plus" : "minus";
    }
    return "pin " + number;
  }

  /**
   * Gives where a pin's pad is on the board, seen from the top; empty without a place or such a
   * pin.
   */
  public Optional<PointMm> padAt(String number) {
    return placed().flatMap(spot -> pack.pin(number).map(pin -> spot.onBoard(pin.at())));
  }
}
