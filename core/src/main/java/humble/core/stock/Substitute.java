package humble.core.stock;

import humble.core.kit.Kit;
import humble.core.kit.Line;
import humble.core.kit.PackagePin;
import humble.core.kit.PartKind;
import humble.core.kit.PartPackage;
import humble.core.kit.Place;
import humble.core.units.Band;
import humble.core.units.Quantity;
import humble.core.units.QuantityText;
import humble.core.words.Phrase;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * A line whose spare pieces may stand in for another's.
 *
 * @param line the line with pieces to spare
 * @param spare pieces it can give
 * @param because why it may stand in
 * @param look what to look at first, null when nothing is in doubt
 */
public record Substitute(Line line, int spare, Phrase because, @Nullable Phrase look) {
  /** Kinds whose value says all that matters for a substitute, and how far it is usually off. */
  private static final Map<PartKind, Double> USUAL_TOLERANCE_PCT =
      Map.of(
          PartKind.RESISTOR, 5.0,
          PartKind.CAPACITOR, 10.0,
          PartKind.CAPACITOR_POLARISED, 20.0,
          PartKind.INDUCTOR, 10.0,
          PartKind.CRYSTAL, 0.01,
          PartKind.RESONATOR, 0.01);

  private static final double LEAST_TOLD_PCT = 10;
  private static final double SAME_HOLE_MM = 0.6;
  private static final Pattern VOLTS = Pattern.compile("([0-9]+(?:[.,][0-9]+)?)\\s?V\\b");

  /**
   * Gives what may stand in for {@code wanted}, the best first: what the kit names, then by rule
   * the same kind whose whole tolerance lies within the wanted one, of no less voltage and power,
   * that fits the holes.
   *
   * @param kit the kit
   * @param wanted the line that is short
   * @param counted pieces by line; the supplied number where none was counted
   */
  public static List<Substitute> of(Kit kit, Line wanted, Map<String, Integer> counted) {
    List<Substitute> all = new ArrayList<>();
    for (Line line : kit.bagged()) {
      int pieces = counted.getOrDefault(line.id(), line.supplied());
      int spare = pieces - line.needed();
      if (line.id().equals(wanted.id()) || spare <= 0) {
        continue;
      }
      if (wanted.substitutes().contains(line.id())) {
        all.add(new Substitute(line, spare, Phrase.of("stock.substitute.named", line.id()), null));
      } else if (mayStandIn(kit, wanted, line)) {
        all.add(
            new Substitute(
                line,
                spare,
                Phrase.of("stock.substitute.rule", line.value(), wanted.value()),
                voltageInDoubt(wanted, line)));
      }
    }
    all.sort(
        Comparator.comparing((Substitute s) -> !wanted.substitutes().contains(s.line().id()))
            .thenComparing(s -> s.look() != null)
            .thenComparing(s -> s.line().id()));
    return all;
  }

  private static boolean mayStandIn(Kit kit, Line wanted, Line line) {
    if (line.kind() != wanted.kind()
        || !USUAL_TOLERANCE_PCT.containsKey(wanted.kind())
        || !fits(kit, wanted, line)) {
      return false;
    }
    OptionalDouble volts = volts(line);
    OptionalDouble least = volts(wanted);
    if (volts.isPresent() && least.isPresent() && volts.getAsDouble() < least.getAsDouble()) {
      return false;
    }
    boolean weaker =
        line.packageId().equals("axial-quarter-watt")
            && wanted.packageId().equals("axial-half-watt");
    Band have = band(line);
    Band want = band(wanted);
    return !weaker && have != null && want != null && want.holds(have);
  }

  private static @Nullable Band band(Line line) {
    if (!(Quantity.parse(line.value()) instanceof QuantityText.Read read)) {
      return null;
    }
    Double given = line.tolerancePct();
    double percent =
        given != null ? given : USUAL_TOLERANCE_PCT.getOrDefault(line.kind(), LEAST_TOLD_PCT);
    return Band.around(read.value(), read.value() * percent / 100);
  }

  private static OptionalDouble volts(Line line) {
    Matcher volts = VOLTS.matcher(line.marking() + " " + line.value());
    return volts.find()
        ? OptionalDouble.of(Double.parseDouble(volts.group(1).replace(',', '.')))
        : OptionalDouble.empty();
  }

  private static @Nullable Phrase voltageInDoubt(Line wanted, Line line) {
    boolean capacitor =
        wanted.kind() == PartKind.CAPACITOR || wanted.kind() == PartKind.CAPACITOR_POLARISED;
    return capacitor && volts(line).isEmpty() && volts(wanted).isPresent()
        ? Phrase.of("stock.substitute.volts", volts(wanted).getAsDouble())
        : null;
  }

  /** The same holes, and no taller than the places allow; thin leads may be bent to them. */
  private static boolean fits(Kit kit, Line wanted, Line line) {
    PartPackage pack = kit.packageNamed(line.packageId()).orElse(null);
    PartPackage holes = kit.packageNamed(wanted.packageId()).orElse(null);
    if (pack == null || holes == null || pack.pins().size() != holes.pins().size()) {
      return false;
    }
    for (int i = 0; i < pack.pins().size(); i++) {
      PackagePin pin = pack.pins().get(i);
      double off = pin.at().distanceMm(holes.pins().get(i).at());
      boolean bends = pack.id().startsWith("axial-") && span(pack) <= span(holes) + SAME_HOLE_MM;
      if (off > SAME_HOLE_MM && !bends) {
        return false;
      }
    }
    return wanted.refs().stream()
        .flatMap(ref -> kit.placeOf(ref).stream())
        .map(Place::maxHeightMm)
        .allMatch(most -> most == null || pack.heightMm() <= most);
  }

  private static double span(PartPackage pack) {
    return pack.pins().getFirst().at().distanceMm(pack.pins().getLast().at());
  }
}
