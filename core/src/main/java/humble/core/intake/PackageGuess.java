package humble.core.intake;

import humble.core.kit.LeadClass;
import humble.core.kit.PackageLibrary;
import humble.core.kit.PackagePin;
import humble.core.kit.PartKind;
import humble.core.kit.PartPackage;
import humble.core.kit.PointMm;
import humble.core.kit.UsualModel;
import humble.core.units.Quantity;
import humble.core.units.QuantityText;
import humble.core.words.Phrase;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Which package a row is about: by its package text, else by what its kind usually comes in.
 *
 * @param pack the package; one of the built-in ones where any fits
 * @param builtIn whether it is a built-in one
 * @param confidence belief that it is right, 0 to 1; 1 when the text names it
 * @param because what speaks for it
 * @param others built-in packages it might be instead
 *     <p>Longer than other classes: the ladder of ways to read a name, tried from the surest down.
 */
record PackageGuess(
    PartPackage pack, boolean builtIn, double confidence, Phrase because, List<String> others) {
  /** What texts were found to name, so that a text that stands in many rows is read once. */
  static final class Memory {
    private final Map<String, String> hints = new HashMap<>();
    private final Map<String, Optional<PackageGuess>> named = new HashMap<>();

    /**
     * Gives the package that a package text names whatever the kind, empty when none: a hint for
     * the kind.
     */
    String hint(String text) {
      return hints.computeIfAbsent(
          text.strip().toLowerCase(Locale.ROOT),
          plain ->
              plain.isEmpty() || PackageLibrary.find(plain).isPresent()
                  ? plain
                  : named(plain, PartKind.OTHER, Phrase.of("guess.package.words"))
                      .map(guess -> guess.pack().id())
                      .orElse(""));
    }

    private Optional<PackageGuess> of(String plain, PartKind kind, Phrase because) {
      return named.computeIfAbsent(
          kind + " " + plain + " " + because, any -> PackageGuess.named(plain, kind, because));
    }
  }

  private static final double NAMED = 0.95;
  private static final double LIKELY = 0.8;
  private static final double USUAL = 0.6;
  private static final double VAGUE = 0.3;
  private static final double PITCH = 2.54;

  /** Chip sizes in hundredths of an inch: length and width in millimetres, height. */
  private static final Map<String, double[]> CHIPS =
      Map.of(
          "0402", new double[] {1.0, 0.4},
          "0603", new double[] {1.6, 0.5},
          "0805", new double[] {2.0, 0.6},
          "1206", new double[] {3.2, 0.7},
          "1210", new double[] {3.2, 1.0},
          "2010", new double[] {5.0, 0.7},
          "2512", new double[] {6.3, 0.7});

  private static final Pattern CHIP =
      Pattern.compile("(?:^|[^0-9])(0402|0603|0805|1206|1210|2010|2512)(?:[^0-9]|$)");
  private static final Pattern DUAL =
      Pattern.compile("(?:p|c|s)?di[pl][-_ ]?(\\d{1,2})|(\\d{1,2})[- ]?(?:pin )?di[pl]\\b");
  private static final Pattern SMALL_OUTLINE =
      Pattern.compile("(?:so|soic|sop|ssop|tssop)[-_ ]?n?(\\d{1,2})");
  private static final Pattern BREAK = Pattern.compile("[\\s:_;,]+");
  private static final Pattern HOLES = Pattern.compile("receptacle|female|buchse");
  private static final Pattern SMALL = Pattern.compile("sot-?(23|323)");
  private static final Pattern TAB = Pattern.compile("(?<!\\w)to-?220|^tab.?3");
  private static final Pattern PIN_ROW = Pattern.compile("header|pin.?row|receptacle|terminal");
  private static final Pattern QUAD = Pattern.compile("(?:l|t)?q(?:fp|fn)[-_ ]?(\\d{2,3})");
  private static final Pattern SINGLE = Pattern.compile("si[pl][-_ ]?(\\d{1,2})");
  private static final Pattern ROWS =
      Pattern.compile("(?<!\\d)0?([12])\\s?[x×*]\\s?(\\d{1,2})(?!\\d)");
  private static final Pattern PINS =
      Pattern.compile("(\\d{1,2})[- ]?(?:pin|way|pos|position|pol)");
  private static final Pattern LAST_NUMBER = Pattern.compile("[-_ ]([0-9]{1,2})$");
  private static final Pattern CAN =
      Pattern.compile("(\\d{1,2}(?:\\.\\d)?)\\s?(?:mm)?\\s?[x×*]\\s?(\\d{1,2}(?:\\.\\d)?)");

  PackageGuess {
    others = List.copyOf(others);
  }

  /** Tells whether nothing speaks for it: then nobody knows how many pins there are either. */
  boolean isVague() {
    return confidence <= VAGUE;
  }

  /**
   * Judges a row.
   *
   * @param text what the list says about the package, or empty
   * @param words everything else it says
   * @param kind kind of part
   * @param value value as written
   * @param memory what was read before
   */
  static PackageGuess of(String text, String words, PartKind kind, String value, Memory memory) {
    return judged(
        KindGuess.beginning(text),
        KindGuess.beginning(words),
        kind,
        KindGuess.beginning(value),
        memory);
  }

  private static PackageGuess judged(
      String text, String words, PartKind kind, String value, Memory memory) {
    String plain = text.strip().toLowerCase(Locale.ROOT);
    if (!plain.isEmpty()) {
      boolean socketed = kind == PartKind.SOCKET && plain.startsWith("dip-");
      Optional<PartPackage> exact = PackageLibrary.find(socketed ? "socket-" + plain : plain);
      // DIP-28 on a list says the pins; dip-28 is a name of ours, which says the width too.
      boolean spelled = plain.startsWith("dip-") && !plain.equals(text.strip());
      if (exact.isPresent() && !spelled) {
        return new PackageGuess(exact.get(), true, 1, Phrase.of("guess.named"), List.of());
      }
      Optional<PackageGuess> named =
          memory.of(plain, kind, Phrase.of("guess.package.says", text.strip()));
      if (named.isPresent()) {
        return named.get().asReceptacle(words);
      }
    }
    Optional<PackageGuess> spoken =
        memory.of(words.strip().toLowerCase(Locale.ROOT), kind, Phrase.of("guess.package.words"));
    if (spoken.isPresent()) {
      return spoken.get().atMost(LIKELY);
    }
    return plain.isEmpty() ? usual(kind, value, words) : own(text.strip(), kind);
  }

  /** A row of holes and a row of pins are written alike; the words tell them apart. */
  private PackageGuess asReceptacle(String words) {
    String id = pack.id();
    boolean holes = HOLES.matcher(words.toLowerCase(Locale.ROOT)).find();
    return holes && id.startsWith("header-1x")
        ? builtIn(id.replace("header", "receptacle"), confidence, because, others).orElse(this)
        : this;
  }

  private PackageGuess atMost(double most) {
    return new PackageGuess(pack, builtIn, Math.min(confidence, most), because, others);
  }

  private static Optional<PackageGuess> named(String plain, PartKind kind, Phrase because) {
    Matcher dual = DUAL.matcher(plain);
    if (dual.find()) {
      return dual(
          Integer.parseInt(dual.group(1) == null ? dual.group(2) : dual.group(1)),
          plain,
          kind,
          because);
    }
    Matcher chip = CHIP.matcher(plain);
    if (chip.find() && !plain.contains("axial")) {
      String size = chip.group(1);
      double[] mm = CHIPS.getOrDefault(size, new double[] {2, 0.6});
      return Optional.of(
          new PackageGuess(
              row("chip-" + size, mm[1], 2, mm[0] * 0.9, LeadClass.SMD),
              false,
              NAMED,
              because,
              List.of()));
    }
    if (SMALL.matcher(plain).find()) {
      PointMm[] at = {new PointMm(-0.95, -1), new PointMm(0.95, -1), new PointMm(0, 1)};
      return Optional.of(
          new PackageGuess(surfaceMounted("sot-23", 1.1, at), false, NAMED, because, List.of()));
    }
    Matcher outline = SMALL_OUTLINE.matcher(plain);
    if (outline.find() && even(Integer.parseInt(outline.group(1)))) {
      int pins = Integer.parseInt(outline.group(1));
      return Optional.of(
          new PackageGuess(
              surfaceMounted("so-" + pins, 1.75, twoRows(pins, 2.7, 1.27)),
              false,
              LIKELY,
              because,
              List.of()));
    }
    Matcher legs = PINS.matcher(plain);
    if ((kind == PartKind.IC || kind == PartKind.SOCKET)
        && legs.find()
        && even(Integer.parseInt(legs.group(1)))) {
      return dual(Integer.parseInt(legs.group(1)), plain, kind, because)
          .map(guess -> guess.atMost(USUAL));
    }
    Matcher row = PINS.matcher(plain);
    if (kind == PartKind.RESISTOR_NETWORK && row.find()) {
      return builtIn("sip-" + Integer.parseInt(row.group(1)), LIKELY, because, List.of());
    }
    Matcher quad = QUAD.matcher(plain);
    if (quad.find() && Integer.parseInt(quad.group(1)) % 4 == 0) {
      int pins = Integer.parseInt(quad.group(1));
      return Optional.of(
          new PackageGuess(
              surfaceMounted("qfp-" + pins, 1.6, square(pins)), false, LIKELY, because, List.of()));
    }
    Matcher single = SINGLE.matcher(plain);
    if (single.find()) {
      return builtIn("sip-" + Integer.parseInt(single.group(1)), NAMED, because, List.of());
    }
    if (TAB.matcher(plain).find()) {
      return builtIn("tab-3-upright", LIKELY, because, List.of("tab-3-lying"));
    }
    if (isRow(kind, plain)) {
      Optional<PackageGuess> pins = pinRow(plain, kind, because);
      if (pins.isPresent()) {
        return pins;
      }
    }
    if (kind == PartKind.CAPACITOR_POLARISED || plain.contains("radial")) {
      Matcher can = CAN.matcher(plain);
      if (can.find()) {
        return can(Double.parseDouble(can.group(1)), Double.parseDouble(can.group(2)), because);
      }
    }
    for (PackageNames.Name each : PackageNames.ALL) {
      if (each.fits(kind) && matchesWords(each.pattern(), plain)) {
        return builtIn(each.id(), NAMED, because, List.of());
      }
    }
    return Optional.empty();
  }

  /** A name must be the whole text, or stand between blanks, colons or underscores in it. */
  private static boolean matchesWords(Pattern name, String plain) {
    if (name.matcher(plain).matches()) {
      return true;
    }
    String[] words = BREAK.split(plain);
    for (int i = 0; i < words.length; i++) {
      if (name.matcher(words[i]).matches()
          || (i + 1 < words.length && name.matcher(words[i] + " " + words[i + 1]).matches())) {
        return true;
      }
    }
    return false;
  }

  private static Optional<PackageGuess> builtIn(
      String id, double confidence, Phrase because, List<String> others) {
    return PackageLibrary.find(id)
        .map(pack -> new PackageGuess(pack, true, confidence, because, others));
  }

  private static Optional<PackageGuess> dual(
      int pins, String plain, PartKind kind, Phrase because) {
    String stem = (kind == PartKind.SOCKET ? "socket-dip-" : "dip-") + pins;
    boolean saysWide = plain.matches(".*(wide|600|15[.,]24).*");
    boolean saysNarrow = plain.matches(".*(narrow|slim|300|7[.,]62).*");
    if (saysWide) {
      return builtIn(stem + "-wide", NAMED, because, List.of());
    }
    if (pins < 24 || saysNarrow) {
      return builtIn(stem, NAMED, because, List.of());
    }
    return pins >= 32
        ? builtIn(stem + "-wide", 0.9, Phrase.of("guess.package.wide", because), List.of(stem))
        : builtIn(stem, USUAL, Phrase.of("guess.package.both", because), List.of(stem + "-wide"));
  }

  private static boolean isRow(PartKind kind, String plain) {
    return kind == PartKind.HEADER
        || kind == PartKind.CONNECTOR
        || kind == PartKind.JUMPER
        || PIN_ROW.matcher(plain).find();
  }

  private static Optional<PackageGuess> pinRow(String plain, PartKind kind, Phrase because) {
    Matcher rows = ROWS.matcher(plain);
    boolean receptacle = HOLES.matcher(plain).find() || plain.contains("socket");
    if (rows.find()) {
      int count = Integer.parseInt(rows.group(2));
      String id =
          rows.group(1).equals("2")
              ? "header-2x" + count
              : (receptacle ? "receptacle-1x" : "header-1x") + count;
      return builtIn(id, NAMED, because, List.of());
    }
    Matcher pins = PINS.matcher(plain);
    if (plain.contains("terminal")) {
      return pins.find()
          ? builtIn("terminal-" + pins.group(1), NAMED, because, List.of())
          : builtIn("terminal-2", USUAL, because, List.of("terminal-3"));
    }
    if (pins.find() && (kind == PartKind.HEADER || kind == PartKind.CONNECTOR)) {
      return builtIn(
          (receptacle ? "receptacle-1x" : "header-1x") + pins.group(1), LIKELY, because, List.of());
    }
    return Optional.empty();
  }

  private static Optional<PackageGuess> can(double diameterMm, double heightMm, Phrase because) {
    String best = "radial-5x11";
    double least = Double.MAX_VALUE;
    for (String id : List.of("radial-5x11", "radial-6x11", "radial-8x12", "radial-10x16")) {
      String[] size = id.substring("radial-".length()).split("x");
      double off =
          Math.hypot(
              Integer.parseInt(size[0]) - diameterMm, (Integer.parseInt(size[1]) - heightMm) / 3);
      if (off < least) {
        least = off;
        best = id;
      }
    }
    return builtIn(best, least < 1 ? NAMED : VAGUE, because, List.of());
  }

  private static PackageGuess usual(PartKind kind, String value, String words) {
    Phrase because = Phrase.of("guess.package.usual");
    Optional<PackageGuess> pins =
        pinRow(words.toLowerCase(Locale.ROOT), kind, Phrase.of("guess.package.words"));
    if (kind == PartKind.CAPACITOR_POLARISED) {
      return electrolytic(value, because);
    }
    Optional<TypeNumber> type = TypeNumber.in(value);
    if (kind == PartKind.REGULATOR && type.isPresent()) {
      boolean small = value.toUpperCase(Locale.ROOT).matches(".*7[89]L.*");
      return usual(
          small ? "half-round-3" : "tab-3-upright",
          Phrase.of("guess.package.regulator"),
          type.get().scheme().equals("regulator") ? LIKELY : USUAL,
          List.of("tab-3-upright", "tab-3-lying", "half-round-3"));
    }
    boolean row = kind == PartKind.HEADER || kind == PartKind.CONNECTOR;
    UsualModel.Case usual = UsualModel.caseOf(kind);
    return pins.filter(guess -> row)
        .orElseGet(() -> usual(usual.id(), because, usual.confidence(), usual.others()));
  }

  private static PackageGuess electrolytic(String value, Phrase because) {
    double farads =
        Quantity.parse(value.split("[\\s/]+")[0]) instanceof QuantityText.Read read
            ? read.value()
            : 10e-6;
    String id =
        farads <= 47.5e-6
            ? "radial-5x11"
            : farads <= 101e-6 ? "radial-6x11" : farads <= 331e-6 ? "radial-8x12" : "radial-10x16";
    return usual(
        id,
        Phrase.of("guess.package.farads", because),
        0.5,
        List.of("radial-5x11", "radial-6x11", "radial-8x12"));
  }

  private static PackageGuess usual(
      String id, Phrase because, double confidence, List<String> others) {
    return new PackageGuess(
        PackageLibrary.find(id).orElseThrow(),
        true,
        confidence,
        because,
        others.stream().filter(each -> !each.equals(id)).toList());
  }

  /** A package of the kit's own, of the name that the list gives; or the built-in one it means. */
  private static PackageGuess own(String text, PartKind kind) {
    FootprintName said = FootprintName.of(text);
    PackageGuess usual = usual(kind, "", "");
    int usualPins = usual.pack().pins().size();
    Matcher last = LAST_NUMBER.matcher(text.strip());
    // A number that ends a name may count pins where the kind has more than two.
    boolean counted = usualPins > 2 && last.find() && Integer.parseInt(last.group(1)) > 2;
    int pins = said.pins().orElse(counted ? Integer.parseInt(last.group(1)) : usualPins);
    double pitch =
        said.pitchMm().orElse(usualPins == 2 && pins == 2 ? usual.pack().pitchMm() : PITCH);
    Optional<PackageGuess> same = sameSize(text, said, kind, pins, pitch);
    if (same.isPresent()) {
      return same.get();
    }
    boolean known = said.pins().isPresent();
    double confidence = known ? Math.min(said.pinsConfidence(), USUAL) : VAGUE;
    return new PackageGuess(
        row(
            Slug.of(text),
            usual.pack().heightMm(),
            pins,
            pitch * (pins - 1),
            said.smd() ? LeadClass.SMD : usual.pack().lead()),
        false,
        confidence,
        known
            ? Phrase.of("guess.package.footprint", text, pins)
            : Phrase.of("guess.package.unknown", text, pins),
        List.of(usual.pack().id()));
  }

  /** The built-in package of the size that a name says. */
  private static Optional<PackageGuess> sameSize(
      String text, FootprintName said, PartKind kind, int pins, double pitch) {
    Phrase because = Phrase.of("guess.package.says", text);
    if (kind == PartKind.CAPACITOR_POLARISED && !said.smd() && said.diameterMm().isPresent()) {
      double diameter = said.diameterMm().getAsDouble();
      return can(diameter, usualHeight(diameter), because)
          .filter(
              guess -> said.pitchMm().isEmpty() || Math.abs(guess.pack().pitchMm() - pitch) < 0.6);
    }
    boolean row = kind == PartKind.HEADER || kind == PartKind.CONNECTOR;
    if (row && said.pins().isPresent() && Math.abs(pitch - PITCH) < 0.01) {
      return pinRow(text.toLowerCase(Locale.ROOT), kind, because);
    }
    return Optional.empty();
  }

  /** Cans that are built in, by their diameter. */
  private static double usualHeight(double diameterMm) {
    return diameterMm < 7.2 ? 11 : diameterMm < 9 ? 12 : 16;
  }

  private static PartPackage row(
      String id, double heightMm, int count, double spanMm, LeadClass lead) {
    List<PackagePin> pins = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      double x = count == 1 ? 0 : -spanMm / 2 + i * spanMm / (count - 1);
      pins.add(new PackagePin(Integer.toString(i + 1), rounded(new PointMm(x, 0))));
    }
    return new PartPackage(id, heightMm, pins, lead);
  }

  /** To the micrometre's thousandth, as a kit file keeps it. */
  private static PointMm rounded(PointMm at) {
    return new PointMm(Math.round(at.xMm() * 1e6) / 1e6, Math.round(at.yMm() * 1e6) / 1e6);
  }

  private static boolean even(int count) {
    return count >= 4 && count % 2 == 0;
  }

  private static PointMm[] twoRows(int count, double xMm, double pitchMm) {
    PointMm[] at = new PointMm[count];
    int half = count / 2;
    for (int i = 0; i < half; i++) {
      double y = (half - 1) * pitchMm / 2 - i * pitchMm;
      at[i] = new PointMm(-xMm, y);
      at[count - 1 - i] = new PointMm(xMm, y);
    }
    return at;
  }

  /** Pin 1 at the top of the left side, then counter-clockwise. */
  private static PointMm[] square(int count) {
    int side = count / 4;
    double pitch = 0.8;
    double out = side * pitch / 2 + 1.5;
    PointMm[] at = new PointMm[count];
    for (int i = 0; i < side; i++) {
      double along = (side - 1) * pitch / 2 - i * pitch;
      at[i] = new PointMm(-out, along);
      at[side + i] = new PointMm(-along, -out);
      at[2 * side + i] = new PointMm(out, -along);
      at[3 * side + i] = new PointMm(along, out);
    }
    return at;
  }

  private static PartPackage surfaceMounted(String id, double heightMm, PointMm[] at) {
    List<PackagePin> pins = new ArrayList<>();
    for (int i = 0; i < at.length; i++) {
      pins.add(new PackagePin(Integer.toString(i + 1), rounded(at[i])));
    }
    return new PartPackage(id, heightMm, pins, LeadClass.SMD);
  }
}
