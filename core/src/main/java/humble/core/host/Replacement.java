package humble.core.host;

import humble.core.kit.Aged;
import humble.core.kit.LeadForm;
import humble.core.kit.Line;
import humble.core.kit.Part;
import humble.core.kit.PartKind;
import humble.core.kit.PartPackage;
import humble.core.kit.Parts;
import humble.core.kit.Place;
import humble.core.units.Quantity;
import humble.core.units.QuantityText;
import humble.core.words.Phrase;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * An aged part against what goes in its place: value, volts, heat, size and polarity. What is not
 * known of either is said, and never taken to fit.
 */
public final class Replacement {
  /** Electrolytics leave the factory up to a fifth below what is printed on them. */
  private static final double LEAST_SHARE = 0.8;

  /** More than this takes markedly more current when it is switched on. */
  private static final double MOST_SHARE = 1.5;

  /** Two values that are one value written twice. */
  private static final double SAME_SHARE = 0.02;

  /** A part of 10 K more lasts about twice as long (rule after Arrhenius). */
  private static final double HALVES_K = 10;

  private static final double GIVES_MM = 0.4;
  private static final double AIR_MM = 0.5;

  /** A can's package says how wide and how high it is. */
  private static final Pattern CAN = Pattern.compile("radial-([0-9]{1,2})x([0-9]{1,2})");

  private static final Map<Integer, Double> DIAMETERS = Map.of(5, 5.0, 6, 6.3, 8, 8.0, 10, 10.0);

  /** Kinds that die of too many volts. */
  private static final Set<PartKind> RATED =
      EnumSet.of(
          PartKind.CAPACITOR,
          PartKind.CAPACITOR_POLARISED,
          PartKind.DIODE,
          PartKind.ZENER,
          PartKind.TRANSISTOR_NPN,
          PartKind.TRANSISTOR_PNP,
          PartKind.MOSFET_N,
          PartKind.MOSFET_P,
          PartKind.FUSE,
          PartKind.REGULATOR);

  private final Parts parts;
  private final Part part;
  private final Line line;
  private final Aged aged;
  private final List<Point> points = new ArrayList<>();

  private Replacement(Parts parts, Part part, Aged aged) {
    this.parts = parts;
    this.part = part;
    this.line = part.line();
    this.aged = aged;
  }

  /** How one thing about the new part stands to the old one. */
  public enum Verdict {
    /** It is as good or better. */
    FITS,
    /** It has to be looked at: it is otherwise, or nobody says how it is. */
    LOOK,
    /** It does not go there. */
    NO;

    /** Gives the name used in output. */
    public String text() {
      return name().toLowerCase(Locale.ROOT);
    }
  }

  /** One thing that was compared. */
  public record Point(String what, Verdict verdict, Phrase says) {}

  /**
   * Compares the part {@code ref} with the aged one in its place; nothing where it replaces none.
   */
  public static List<Point> of(Parts parts, String ref) {
    return parts
        .part(ref)
        .flatMap(part ->
            Optional.ofNullable(part.line().particulars().aged())
                .map(aged -> new Replacement(parts, part, aged).points()))
        .orElse(List.of());
  }

  /** Gives the worst verdict of several points; that it has to be looked at where there is none. */
  public static Verdict worst(List<Point> points) {
    return points.stream().map(Point::verdict).max(Comparator.naturalOrder()).orElse(Verdict.LOOK);
  }

  private List<Point> points() {
    value();
    volts();
    heat();
    width();
    height();
    holes();
    polarity();
    return List.copyOf(points);
  }

  private void add(String what, Verdict verdict, String key, Object... words) {
    points.add(new Point(what, verdict, Phrase.of("host.aged." + key, words)));
  }

  private void value() {
    Optional<Double> old = quantity(aged.value());
    Optional<Double> now = quantity(line.value());
    if (old.isEmpty() || now.isEmpty() || old.get() <= 0) {
      boolean same = !aged.value().isEmpty() && aged.value().equalsIgnoreCase(line.value());
      add(
          "value",
          same ? Verdict.FITS : Verdict.LOOK,
          same ? "value.same" : "value.unknown",
          shown(aged.value()),
          shown(line.value()));
      return;
    }
    double share = now.get() / old.get();
    if (Math.abs(share - 1) <= SAME_SHARE) {
      add("value", Verdict.FITS, "value.same", aged.value(), line.value());
    } else if (line.kind() != PartKind.CAPACITOR_POLARISED) {
      Verdict verdict = line.kind() == PartKind.CAPACITOR ? Verdict.LOOK : Verdict.NO;
      add("value", verdict, "value.other", aged.value(), line.value());
    } else if (share < LEAST_SHARE) {
      add("value", Verdict.NO, "value.less", aged.value(), line.value());
    } else if (share > MOST_SHARE) {
      add("value", Verdict.LOOK, "value.more", aged.value(), line.value(), tenths(share));
    } else {
      add("value", Verdict.FITS, "value.near", aged.value(), line.value());
    }
  }

  private Optional<Double> quantity(String text) {
    return Quantity.parse(text) instanceof QuantityText.Read read
        ? Optional.of(read.value())
        : Optional.empty();
  }

  private static String shown(String value) {
    return value.isEmpty() ? "?" : value;
  }

  private boolean isRated() {
    return RATED.contains(line.kind()) || aged.ratings().volts() != null;
  }

  private void volts() {
    Double old = aged.ratings().volts();
    Double now = line.particulars().ratings().volts();
    if (!isRated()) {
      return;
    }
    if (old == null || now == null) {
      add("volts", Verdict.LOOK, "volts.unknown", shown(old), shown(now));
    } else {
      boolean enough = now >= old;
      add(
          "volts",
          enough ? Verdict.FITS : Verdict.NO,
          enough ? "volts.enough" : "volts.less",
          old,
          now);
    }
  }

  private static String shown(@Nullable Double number) {
    return number == null ? "?" : String.format(Locale.ROOT, "%.3g", number);
  }

  private void heat() {
    Double old = aged.ratings().celsius();
    Double now = line.particulars().ratings().celsius();
    if (line.kind() != PartKind.CAPACITOR_POLARISED && old == null) {
      return;
    }
    if (old == null || now == null) {
      add("heat", Verdict.LOOK, "heat.unknown", shown(old), shown(now));
    } else if (now < old) {
      add("heat", Verdict.NO, "heat.less", old, now);
    } else if (now > old) {
      add("heat", Verdict.FITS, "heat.more", old, now, tenths(Math.pow(2, (now - old) / HALVES_K)));
    } else {
      add("heat", Verdict.FITS, "heat.same", old, now);
    }
  }

  private void width() {
    Double old = aged.diameterMm();
    Optional<Double> now = widthMm(part.pack());
    if (old == null && now.isEmpty()) {
      return;
    }
    if (old == null || now.isEmpty()) {
      add("width", Verdict.LOOK, "width.unknown", shown(old), shown(now.orElse(null)));
    } else if (now.get() <= old + AIR_MM) {
      add("width", Verdict.FITS, "width.fits", old, now.get());
    } else {
      wider(old, now.get());
    }
  }

  private static double tenths(double number) {
    return Math.round(number * 10) / 10.0;
  }

  /** How far the rim of the new part is from another, on the same side of the same board. */
  private record Gap(String ref, double mm) {}

  private void wider(double old, double now) {
    Optional<Gap> nearest =
        part.placed().stream()
            .flatMap(here ->
                parts.all().stream()
                    .filter(other -> !other.ref().equals(part.ref()))
                    .filter(other -> !other.line().particulars().comesOff())
                    .flatMap(other ->
                        other.placed().stream()
                            .filter(there -> there.board().equals(here.board()))
                            .filter(there -> there.side() == here.side())
                            .map(there -> gap(here, other, there, now))))
            .min(Comparator.comparingDouble(Gap::mm));
    if (nearest.isEmpty()) {
      add("width", Verdict.LOOK, "width.wider", old, now);
    } else {
      double gap = nearest.get().mm();
      add(
          "width",
          gap < AIR_MM ? Verdict.NO : Verdict.LOOK,
          gap < AIR_MM ? "width.meets" : "width.beside",
          old,
          now,
          nearest.get().ref(),
          tenths(Math.max(0, gap)));
    }
  }

  private static Gap gap(Place here, Part other, Place there, double widthMm) {
    double apart = there.at().distanceMm(here.at());
    double body = apart - widthMm(other.pack()).orElse(0.0) / 2;
    double pads =
        other.pack().pins().stream()
            .mapToDouble(pin -> there.onBoard(pin.at()).distanceMm(here.at()))
            .min()
            .orElse(apart);
    return new Gap(other.ref(), Math.min(pads, body) - widthMm / 2);
  }

  private static Optional<Double> widthMm(PartPackage pack) {
    if (pack.id().startsWith("axial-")) {
      // What lies on the board is as wide as it is high.
      return Optional.of(pack.heightMm());
    }
    Matcher can = CAN.matcher(pack.id());
    if (!can.matches()) {
      return Optional.empty();
    }
    int named = Integer.parseInt(can.group(1));
    return Optional.of(DIAMETERS.getOrDefault(named, (double) named));
  }

  private void height() {
    Double old = aged.heightMm();
    double now = part.pack().heightMm();
    Double most = part.placed().map(Place::maxHeightMm).orElse(null);
    if (most != null && now > most) {
      add("height", Verdict.NO, "height.room", now, most);
    } else if (old == null) {
      add("height", Verdict.LOOK, "height.unknown", now);
    } else {
      boolean fits = now <= old + AIR_MM;
      add(
          "height",
          fits ? Verdict.FITS : Verdict.LOOK,
          fits ? "height.fits" : "height.more",
          old,
          now);
    }
  }

  private void holes() {
    Double holes = aged.pitchMm();
    double leads = part.pack().pitchMm();
    if (leads <= 0) {
      return;
    }
    if (holes == null) {
      add("holes", Verdict.LOOK, "holes.unknown", leads);
    } else if (Math.abs(holes - leads) <= GIVES_MM) {
      add("holes", Verdict.FITS, "holes.fit", holes);
    } else {
      Place place = part.placed().orElse(null);
      LeadForm form =
          place == null || place.pitchMm() == null
              ? null
              : LeadForm.of(part.pack(), place).orElse(null);
      boolean none = form != null && form.way() == LeadForm.Way.NONE;
      add(
          "holes",
          none ? Verdict.NO : Verdict.LOOK,
          none ? "holes.none" : "holes.form",
          holes,
          leads);
    }
  }

  private void polarity() {
    boolean marked = line.isOriented();
    if (!line.kind().isOriented() && aged.unpolarised()) {
      return;
    }
    if (aged.unpolarised() && marked) {
      add("polarity", Verdict.NO, "polarity.turned");
    } else if (!marked) {
      add("polarity", Verdict.FITS, "polarity.either");
    } else {
      add("polarity", Verdict.FITS, "polarity.same");
    }
  }
}
