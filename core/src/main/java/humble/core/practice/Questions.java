package humble.core.practice;

import humble.core.firmware.NumberBase;
import humble.core.kit.Home;
import humble.core.kit.Line;
import humble.core.kit.Mount;
import humble.core.kit.PackageLibrary;
import humble.core.kit.Part;
import humble.core.kit.PartKind;
import humble.core.kit.PartPackage;
import humble.core.kit.Place;
import humble.core.kit.PointMm;
import humble.core.kit.Side;
import humble.core.marking.BandColour;
import humble.core.marking.MarkReading;
import humble.core.marking.PrintedCode;
import humble.core.marking.ResistorBands;
import humble.core.units.Engineering;
import humble.core.units.TypedReading;
import humble.core.words.Phrase;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.stream.Collectors;

/**
 * Draws questions. The bands and the codes are read by the same rules as at the bench, so that a
 * question which those cannot read, or read otherwise, is never asked.
 */
public final class Questions {
  private static final int[] E12 = {10, 12, 15, 18, 22, 27, 33, 39, 47, 56, 68, 82};
  private static final int[] E96_OF_BENCHES = {100, 121, 150, 182, 221, 274, 332, 475, 499, 681};
  private static final double EXACT = 0.005;
  private static final double BY_HEAD = 0.06;
  private static final int LEAST_OHMS_EXPONENT = 0;
  private static final int BITS = 8;
  private static final double STRAIGHT = 0.35;
  private static final List<String> CHIPS = List.of("dip-8", "dip-14", "dip-16", "dip-20");

  private final Random random;

  /** Makes questions that follow from a seed. */
  public Questions(long seed) {
    this.random = new Random(seed);
  }

  /** Gives a question of a skill. */
  public Question of(Skill skill) {
    return switch (skill) {
      case BANDS_FOUR -> bands(skill, 4);
      case BANDS_FIVE -> bands(skill, 5);
      case CODES -> code();
      case CATHODE -> random.nextBoolean() ? light() : diode();
      case PLUS -> can();
      case PIN_ONE -> chip(skill, false);
      case PIN_ONE_BELOW -> chip(skill, true);
      case OCTAL -> row(skill, NumberBase.OCTAL, 3);
      case HEX -> row(skill, NumberBase.HEX, 4);
      case SIDE_BY_SIDE -> sideBySide();
      case DIVIDER -> divider();
      case LIGHT_CURRENT -> lightCurrent();
    };
  }

  private int pick(int... from) {
    return from[random.nextInt(from.length)];
  }

  private static Wanted.Value ohms(double value, double within) {
    return new Wanted.Value(value, TypedReading.Kind.OHMS, within);
  }

  private Question bands(Skill skill, int count) {
    while (true) {
      double ohms =
          count == 4
              ? pick(E12) * Math.pow(10, LEAST_OHMS_EXPONENT + random.nextInt(6))
              : pick(E96_OF_BENCHES) * Math.pow(10, random.nextInt(4));
      List<BandColour> painted =
          ResistorBands.paint(ohms, count == 4 ? 5.0 : 1.0, count).orElse(List.of());
      // Read from either end it has to be this value first, else the question has two answers.
      boolean plain =
          !painted.isEmpty()
              && Math.abs(ResistorBands.read(painted, other -> false).getFirst().ohms() / ohms - 1)
                  < EXACT;
      if (plain) {
        return new Question.Bands(skill, painted, ohms(ohms, EXACT), bandsSay(painted, ohms));
      }
    }
  }

  private static Phrase bandsSay(List<BandColour> bands, double ohms) {
    int digits = bands.size() - 2;
    String names = bands.stream().map(BandColour::text).collect(Collectors.joining(", "));
    String figures =
        bands.stream()
            .limit(digits)
            .map(each -> Integer.toString(each.ordinal()))
            .collect(Collectors.joining(" "));
    return Phrase.of(
        "practice.because.bands",
        names,
        figures,
        bands.get(digits).text(),
        Engineering.nominal(ohms, "Ω"));
  }

  private Question code() {
    while (true) {
      int exponent = 1 + random.nextInt(4);
      String printed = Integer.toString(pick(E12)) + exponent;
      List<MarkReading> read = PrintedCode.read(printed, MarkReading.Kind.CAPACITOR);
      double farads = Integer.parseInt(printed.substring(0, 2)) * Math.pow(10, exponent) * 1e-12;
      if (!read.isEmpty() && Math.abs(read.getFirst().value() / farads - 1) < EXACT) {
        return new Question.Code(
            printed,
            new Wanted.Value(read.getFirst().value(), TypedReading.Kind.FARADS, EXACT),
            Phrase.of(
                "practice.because.code",
                printed.substring(0, 2),
                exponent,
                Engineering.nominal(read.getFirst().value(), "F")));
      }
    }
  }

  private static Line line(PartKind kind, String pack) {
    return new Line(
        kind.text(),
        kind,
        "",
        null,
        0,
        pack,
        List.of("P1"),
        1,
        "",
        "",
        false,
        List.of(),
        List.of(),
        Home.BOARD,
        List.of(),
        0,
        null,
        null);
  }

  /** A part at the middle of nothing, turned somehow. */
  private Part lying(PartKind kind, String packageId) {
    PartPackage pack = PackageLibrary.find(packageId).orElseThrow();
    Place place =
        new Place(
            "P1",
            "",
            Side.TOP,
            new PointMm(0, 0),
            90.0 * random.nextInt(4),
            Mount.FLUSH,
            0,
            null,
            null,
            null,
            null,
            List.of(),
            List.of(),
            0,
            1);
    return Part.at("P1", line(kind, packageId), pack, place);
  }

  private Question light() {
    return lying(
        Skill.CATHODE,
        lying(PartKind.LED, random.nextBoolean() ? "led-5" : "led-3"),
        false,
        List.of("1", "2"),
        Phrase.of("practice.because.light"));
  }

  private Question diode() {
    return lying(
        Skill.CATHODE,
        lying(PartKind.DIODE, "axial-power-diode"),
        false,
        List.of("1", "2"),
        Phrase.of("practice.because.diode"));
  }

  private Question can() {
    return lying(
        Skill.PLUS,
        lying(PartKind.CAPACITOR_POLARISED, random.nextBoolean() ? "radial-5x11" : "radial-8x12"),
        false,
        List.of("1", "2"),
        Phrase.of("practice.because.can"));
  }

  private Question chip(Skill skill, boolean below) {
    Part part = lying(PartKind.IC, CHIPS.get(random.nextInt(CHIPS.size())));
    int pins = part.pack().pins().size();
    return lying(
        skill,
        part,
        below,
        List.of(
            "1",
            Integer.toString(pins / 2),
            Integer.toString(pins / 2 + 1),
            Integer.toString(pins)),
        Phrase.of(below ? "practice.because.below" : "practice.because.notch"));
  }

  /** The first of some pins is the right one. */
  private static Question lying(
      Skill skill, Part part, boolean below, List<String> pins, Phrase because) {
    Question.Lying bare =
        new Question.Lying(skill, part, below, List.of(), new Wanted.Pad('5'), because);
    List<Question.Pad> pads = new ArrayList<>();
    for (String pin : pins) {
      PointMm at = bare.seen(part.pack().pin(pin).orElseThrow().at());
      pads.add(new Question.Pad(key(at), at));
    }
    return new Question.Lying(
        skill, part, below, pads, new Wanted.Pad(pads.getFirst().key()), because);
  }

  /** The key that lies from the 5 as a point lies from the middle. */
  static char key(PointMm at) {
    double reach = Math.max(Math.abs(at.xMm()), Math.abs(at.yMm()));
    int across = (int) Math.signum(Math.abs(at.xMm()) < STRAIGHT * reach ? 0 : at.xMm());
    int up = (int) Math.signum(Math.abs(at.yMm()) < STRAIGHT * reach ? 0 : at.yMm());
    return (char) ('5' + across + 3 * up);
  }

  private Question row(Skill skill, NumberBase base, int bitsOfFigure) {
    int value = 1 + random.nextInt((1 << BITS) - 2);
    StringBuilder groups = new StringBuilder();
    for (int bit = BITS - 1; bit >= 0; bit--) {
      groups.append(value >> bit & 1);
      if (bit > 0 && bit % bitsOfFigure == 0) {
        groups.append(' ');
      }
    }
    String figures = base.of(value).toUpperCase(Locale.ROOT);
    return new Question.Row(
        skill,
        value,
        base,
        new Wanted.Figures(figures),
        Phrase.of("practice.because.row", groups.toString(), figures));
  }

  private Question sideBySide() {
    double first = pick(E12) * Math.pow(10, 1 + random.nextInt(3));
    double second = random.nextInt(3) == 0 ? first : first * pick(1, 2, 3, 4, 10);
    double both = first * second / (first + second);
    return new Question.Two(
        Skill.SIDE_BY_SIDE,
        first,
        second,
        0,
        0,
        ohms(both, BY_HEAD),
        Phrase.of(
            "practice.because.beside",
            Engineering.nominal(first, "Ω"),
            Engineering.nominal(second, "Ω"),
            Engineering.reading(both, "Ω")));
  }

  private Question divider() {
    double lower = pick(E12) * Math.pow(10, 2 + random.nextInt(2));
    double upper = lower * pick(1, 1, 2, 3, 4);
    double volts = pick(3, 5, 9, 12);
    double middle = volts * lower / (upper + lower);
    return new Question.Two(
        Skill.DIVIDER,
        upper,
        lower,
        volts,
        0,
        new Wanted.Value(middle, TypedReading.Kind.VOLTS, BY_HEAD),
        Phrase.of(
            "practice.because.divider",
            Engineering.nominal(lower, "Ω"),
            Engineering.nominal(upper + lower, "Ω"),
            Engineering.reading(volts, "V"),
            Engineering.reading(middle, "V")));
  }

  private Question lightCurrent() {
    double ohms = pick(100, 150, 220, 330, 470, 1000);
    double volts = pick(5, 9, 12);
    double forward = 2;
    double amps = (volts - forward) / ohms;
    return new Question.Two(
        Skill.LIGHT_CURRENT,
        ohms,
        0,
        volts,
        forward,
        new Wanted.Value(amps, TypedReading.Kind.AMPS, BY_HEAD),
        Phrase.of(
            "practice.because.light-current",
            Engineering.reading(volts, "V"),
            Engineering.reading(forward, "V"),
            Engineering.nominal(ohms, "Ω"),
            Engineering.reading(amps, "A")));
  }
}
