package humble.core.likeness;

import humble.core.kit.Kit;
import humble.core.kit.Line;
import humble.core.kit.PartKind;
import humble.core.kit.Particulars;
import humble.core.marking.BandColour;
import humble.core.marking.ResistorBands;
import humble.core.stock.MeterProfile;
import humble.core.units.Quantity;
import humble.core.units.QuantityText;
import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * The lines of a kit that look alike, and what to measure.
 *
 * @param pairs every pair in doubt, in the order of the parts list
 * @param measure a smallest set of lines whose measuring settles every pair that a meter can settle
 * @param cannotTell pairs that the meter cannot settle
 * @param smallest whether {@code measure} is proved to be smallest
 */
public record LookAlikes(
    List<Pair> pairs, List<String> measure, List<List<String>> cannotTell, boolean smallest) {
  private static final double LEAST_CHANCE = 0.05;

  /** How often somebody begins at the wrong end of bands that may be read from both. */
  private static final double WRONG_END = 0.25;

  private static final double USUAL_TOLERANCE_PCT = 5;
  private static final double METER_DIGITS = 2000;

  public LookAlikes {
    pairs = List.copyOf(pairs);
    measure = List.copyOf(measure);
    cannotTell = List.copyOf(cannotTell);
  }

  /** Why two lines look alike. */
  public enum Why {
    COLOUR,
    REVERSED,
    SAME_CASE;

    /** Gives the name used in output. */
    public String text() {
      return name().toLowerCase(java.util.Locale.ROOT).replace('_', '-');
    }
  }

  /**
   * Two lines that look alike.
   *
   * @param a the earlier line
   * @param b the later line
   * @param why what makes them alike
   * @param bands bands that differ, from 1, in the direction read
   * @param confusion chance to take one for the other
   * @param meterSeparates whether a reading says which it is, whatever the two parts' tolerances
   */
  public record Pair(
      String a, String b, Why why, List<Integer> bands, double confusion, boolean meterSeparates) {
    public Pair {
      bands = List.copyOf(bands);
    }
  }

  /** Finds them for one light, one pair of eyes and one meter. */
  public static LookAlikes of(Kit kit, Light light, Eyes eyes, MeterProfile meter) {
    List<Pair> pairs = new ArrayList<>();
    List<Line> lines = kit.bagged();
    Map<Paint.Body, Confusion> confusions = new EnumMap<>(Paint.Body.class);
    for (Paint.Body body : Paint.Body.values()) {
      confusions.put(body, Confusion.of(body, light, eyes));
    }
    for (int i = 0; i < lines.size(); i++) {
      for (int k = i + 1; k < lines.size(); k++) {
        pair(lines.get(i), lines.get(k), confusions, meter).ifPresent(pairs::add);
      }
    }
    List<VertexCover.Edge> edges =
        pairs.stream()
            .filter(Pair::meterSeparates)
            .map(pair -> new VertexCover.Edge(pair.a(), pair.b()))
            .toList();
    VertexCover cover = VertexCover.of(lines.stream().map(Line::id).toList(), edges);
    List<List<String>> cannotTell =
        pairs.stream()
            .filter(pair -> !pair.meterSeparates())
            .map(pair -> List.of(pair.a(), pair.b()))
            .toList();
    return new LookAlikes(pairs, cover.nodes(), cannotTell, cover.smallest());
  }

  /** Gives the pairs that a line belongs to. */
  public List<Pair> of(String line) {
    return pairs.stream().filter(pair -> pair.a().equals(line) || pair.b().equals(line)).toList();
  }

  private static Optional<Pair> pair(
      Line a, Line b, Map<Paint.Body, Confusion> confusions, MeterProfile meter) {
    Optional<List<BandColour>> bandsA = bands(a);
    Optional<List<BandColour>> bandsB = bands(b);
    if (bandsA.isPresent() && bandsB.isPresent()) {
      return bandsA.get().size() == bandsB.get().size()
          ? banded(a, b, bandsA.get(), bandsB.get(), confusions, meter)
          : Optional.empty();
    }
    boolean sameCase =
        bandsA.isEmpty()
            && bandsB.isEmpty()
            && a.packageId().equals(b.packageId())
            && a.marking().isBlank()
            && b.marking().isBlank()
            && a.kind() != PartKind.LINK
            && b.kind() != PartKind.LINK
            && !toldByLens(a, b);
    return sameCase
        ? Optional.of(new Pair(a.id(), b.id(), Why.SAME_CASE, List.of(), 1, separates(a, b, meter)))
        : Optional.empty();
  }

  /** Lenses of two colours are told apart, and a clear one from a coloured one. */
  private static boolean toldByLens(Line a, Line b) {
    Particulars one = a.particulars();
    Particulars other = b.particulars();
    if (one.colour().isEmpty() || other.colour().isEmpty()) {
      return false;
    }
    return one.clearLens() != other.clearLens()
        || !one.clearLens() && !one.colour().equalsIgnoreCase(other.colour());
  }

  private static Optional<Pair> banded(
      Line a,
      Line b,
      List<BandColour> bandsA,
      List<BandColour> bandsB,
      Map<Paint.Body, Confusion> confusions,
      MeterProfile meter) {
    Paint.Body body = bandsA.size() >= 5 ? Paint.Body.BLUE : Paint.Body.BEIGE;
    Confusion confusion = Objects.requireNonNull(confusions.get(body));
    double straight = confusion.chance(bandsA, bandsB);
    List<BandColour> turned = new ArrayList<>(bandsA);
    Collections.reverse(turned);
    boolean bothEnds = ResistorBands.read(bandsA, ohms -> false).size() > 1;
    double reversed = bothEnds ? confusion.chance(turned, bandsB) * WRONG_END : 0;
    double chance = Math.min(1, straight + reversed);
    if (chance < LEAST_CHANCE) {
      return Optional.empty();
    }
    boolean byTurning = reversed > straight;
    List<Integer> differ = new ArrayList<>();
    for (int i = 0; i < bandsB.size(); i++) {
      if ((byTurning ? turned : bandsA).get(i) != bandsB.get(i)) {
        differ.add(i + 1);
      }
    }
    return Optional.of(
        new Pair(
            a.id(),
            b.id(),
            byTurning ? Why.REVERSED : Why.COLOUR,
            differ,
            chance,
            separates(a, b, meter)));
  }

  private static Optional<List<BandColour>> bands(Line line) {
    return ResistorBands.of(line);
  }

  private static OptionalDouble value(Line line) {
    return Quantity.parse(line.value()) instanceof QuantityText.Read read
        ? OptionalDouble.of(read.value())
        : OptionalDouble.empty();
  }

  /** Both windows, widened by the meter, lie apart: then no reading fits both. */
  private static boolean separates(Line a, Line b, MeterProfile meter) {
    if (a.kind() != b.kind()
        || !(a.kind() == PartKind.RESISTOR || a.kind() == PartKind.CAPACITOR)
        || value(a).isEmpty()
        || value(b).isEmpty()) {
      return false;
    }
    double va = value(a).getAsDouble();
    double vb = value(b).getAsDouble();
    return Math.abs(va - vb) > reach(a, va, meter) + reach(b, vb, meter);
  }

  private static double reach(Line line, double value, MeterProfile meter) {
    Double tolerance = line.tolerancePct();
    double pct = tolerance == null ? USUAL_TOLERANCE_PCT : tolerance;
    double digit = Math.pow(10, Math.ceil(Math.log10(Math.max(value, 1e-15) / METER_DIGITS)));
    return value * pct / 100 + meter.at(value).uncertainty(value, digit);
  }
}
