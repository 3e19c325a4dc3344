package humble.core.firmware;

import humble.core.kit.ChipFacts;
import humble.core.kit.Firmware;
import humble.core.kit.Model;
import humble.core.kit.Part;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import humble.core.units.Engineering;
import humble.core.units.Quantity;
import humble.core.units.QuantityText;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.OptionalLong;

/** What the set-up words of an image would make of the chip on this board. */
public final class ConfigCheck {
  /** A crystal and what a program reckons with differ by less than this where they are the same. */
  private static final double SAME_PART = 0.01;

  private final Firmware.Target target;
  private final Parts parts;

  /** Looks at the target's chip as it sits on the board of {@code parts}. */
  public ConfigCheck(Firmware.Target target, Parts parts) {
    this.target = target;
    this.parts = parts;
  }

  /** A field as an image sets it, in the maker's language. */
  public record Said(ChipFacts.Word word, ChipFacts.Field field, Optional<ChipFacts.Value> value) {
    /** Gives the sentence of it; empty for bits that the kit gives no meaning. */
    public Optional<String> sentence() {
      return value.map(each -> (field.says() + " " + each.say()).strip());
    }
  }

  /** Gives what an image says of the chip's set-up, in the order of the kit. */
  public List<Said> said(ProgramImage image) {
    List<Said> said = new ArrayList<>();
    for (ChipFacts.Word word : target.facts().config()) {
      OptionalLong value = value(image, word);
      if (value.isPresent()) {
        word.fields()
            .forEach(field -> said.add(new Said(word, field, field.in(value.getAsLong()))));
      }
    }
    return List.copyOf(said);
  }

  private static OptionalLong value(ProgramImage image, ChipFacts.Word word) {
    long value = 0;
    for (int i = 0; i < word.bytes(); i++) {
      OptionalInt at = image.at(word.at() + i);
      if (at.isEmpty()) {
        return OptionalLong.empty();
      }
      value |= (long) at.getAsInt() << (8 * i);
    }
    return OptionalLong.of(value);
  }

  List<ImageProblem> of(ProgramImage image) {
    List<ImageProblem> problems = new ArrayList<>();
    for (Said each : said(image)) {
      ChipFacts.Value value = each.value().orElse(null);
      if (value == null) {
        continue;
      }
      long from = each.word().at();
      long to = from + each.word().bytes() - 1;
      String sentence = each.sentence().orElse("");
      if (value.locksOut()) {
        problems.add(new ImageProblem(ImageProblem.Kind.LOCK, from, to, List.of(sentence)));
      }
      clock(value)
          .ifPresent(why ->
              problems.add(
                  new ImageProblem(ImageProblem.Kind.CLOCK, from, to, List.of(sentence, why))));
    }
    return problems;
  }

  /** Gives what the board has instead of the clock that a value asks for; empty where it has it. */
  private Optional<String> clock(ChipFacts.Value value) {
    Long wanted = target.facts().clockHz();
    return switch (value.clock()) {
      case CRYSTAL -> {
        Part crystal = crystal().orElse(null);
        if (crystal == null) {
          yield Optional.of(target.ref() + ": 0 Hz");
        }
        OptionalDouble hz = hertz(crystal);
        yield wanted != null && hz.isPresent() && apart(hz.getAsDouble(), wanted)
            ? Optional.of(
                crystal.ref()
                    + ": "
                    + Engineering.nominal(hz.getAsDouble(), "Hz")
                    + " ≠ "
                    + Engineering.nominal(wanted, "Hz"))
            : Optional.empty();
      }
      case INSIDE -> {
        Long hz = value.hz();
        yield wanted != null && hz != null && apart(hz, wanted)
            ? Optional.of(Engineering.nominal(hz, "Hz") + " ≠ " + Engineering.nominal(wanted, "Hz"))
            : Optional.empty();
      }
      case null -> Optional.empty();
    };
  }

  private static boolean apart(double a, double b) {
    return Math.abs(a - b) > SAME_PART * b;
  }

  private static OptionalDouble hertz(Part crystal) {
    return Quantity.parse(crystal.line().value()) instanceof QuantityText.Read read
        ? OptionalDouble.of(read.value())
        : OptionalDouble.empty();
  }

  /** The crystal between the chip's clock pins; where the kit does not name them, any beside it. */
  private Optional<Part> crystal() {
    Part chip = parts.part(target.ref()).orElse(null);
    if (chip == null) {
      return Optional.empty();
    }
    List<String> pins =
        chip.model() instanceof Model.Load load && load.starts().clocked()
            ? load.starts().clockPins()
            : chip.pack().pins().stream().map(pin -> pin.number()).toList();
    List<String> nets =
        pins.stream()
            .flatMap(pin -> parts.netOf(new PinRef(chip.ref(), pin)).stream())
            .distinct()
            .toList();
    return parts.all().stream()
        .filter(part ->
            part.line().kind() == PartKind.CRYSTAL || part.line().kind() == PartKind.RESONATOR)
        .filter(part ->
            part.pack().pins().stream()
                    .flatMap(pin -> parts.netOf(new PinRef(part.ref(), pin.number())).stream())
                    .filter(nets::contains)
                    .distinct()
                    .count()
                >= 2)
        .findFirst();
  }
}
