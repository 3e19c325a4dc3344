package humble.core.intake;

import humble.core.kit.PartKind;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What the name of a footprint says, whatever program it is from: kind of part, pins, and the
 * distance of two neighbours. Each with a confidence that was measured: of what is given with 0.9,
 * nine in ten are right.
 *
 * @param kind kind of part, when the name says one
 * @param kindConfidence how sure that is, 0 to 1
 * @param pins number of pins, when the name says it
 * @param pinsConfidence how sure that is
 * @param pitchMm distance of two neighbouring pins, in millimetres, when the name says it
 * @param pitchConfidence how sure that is
 * @param diameterMm diameter or length of the body, in millimetres, when the name says it
 * @param smd whether its pads are on one side
 */
record FootprintName(
    Optional<PartKind> kind,
    double kindConfidence,
    OptionalInt pins,
    double pinsConfidence,
    OptionalDouble pitchMm,
    double pitchConfidence,
    OptionalDouble diameterMm,
    boolean smd) {
  private static final int LONGEST = 120;
  private static final double INCH_MM = 25.4;

  private static final Pattern PITCH =
      Pattern.compile(
          "(?:^|[-_ ])(?:p|pitch|rm)[-_ ]?([0-9]{1,2}(?:[.,][0-9]{1,3})?)(?:mm)?(?![0-9.x])");
  private static final Pattern DIAMETER =
      Pattern.compile("(?:^|[-_ ])[dø]([0-9]{1,2}(?:[.,][0-9]{1,2})?)(?:mm)?(?![0-9])");
  private static final Pattern GRID =
      Pattern.compile("(?<![0-9.])0?([1-4])\\s?x\\s?0*([1-9][0-9]?)(?![0-9.])(?!mm)");
  private static final Pattern FAMILY =
      Pattern.compile(
          "(?<![a-z])((?:[a-z]{0,4})?(?:dip|dil|sop|soic|soj|ssop|qfp|qfn|dfn|son|plcc|lcc|sip|sil|bga))"
              + "[-_ ]?([0-9]{1,3})(?![0-9.]|x[0-9])");
  private static final Pattern SMALL_OUTLINE =
      Pattern.compile("(?<![a-z])so[-_ ]?([0-9]{1,2})(?![0-9.])");
  private static final Pattern EXPOSED = Pattern.compile("[-_]([1-9])ep(?![a-z])");
  private static final Pattern OUTLINE_3 =
      Pattern.compile(
          "(?<![a-z])(?:to|sot|sc)[-_ ]?([0-9]{1,3})[a-z]{0,3}(?:[-_]([2-9]|1[0-9])(?![0-9.]))?");
  private static final Pattern PIN_WORD =
      Pattern.compile("(?<![0-9.])([0-9]{1,3})[-_ ]?(?:pins?|way|pos|pads?|p)(?![a-z0-9])");
  private static final Pattern CHIP =
      Pattern.compile(
          "(?<![0-9])(0201|0402|0603|0805|1008|1206|1210|1806|1808|1812|1825|2010|2220|2225|2512)(?![0-9])");

  private static final List<String> SMD =
      List.of("smd", "smt", "metric", "soic", "sop", "qfp", "qfn", "sot", "sod", "dfn", "melf");

  /** What names of a kind look like, and how often they are right. */
  private record Says(Pattern pattern, PartKind kind, double confidence) {
    Says(String pattern, PartKind kind, double confidence) {
      this(Pattern.compile(pattern), kind, confidence);
    }
  }

  /** The surest and the most special first. */
  private static final List<Says> KINDS =
      List.of(
          new Says("^(?:leds?|lamp)(?![a-z])|^led", PartKind.LED, 0.97),
          new Says(
              "^cp[-_]|(?:elec|elko|electrolytic)|tant(?![a-z]{3})|polari[sz]ed",
              PartKind.CAPACITOR_POLARISED, 0.96),
          new Says("resonator", PartKind.RESONATOR, 0.95),
          new Says("crystal|xtal|quartz|hc-?(?:18|33|49|50|51|52)", PartKind.CRYSTAL, 0.95),
          new Says("fuse", PartKind.FUSE, 0.95),
          new Says("speaker|lautsprecher", PartKind.SPEAKER, 0.95),
          new Says("buzzer|beeper|piezo", PartKind.BUZZER, 0.92),
          new Says("battery|coin|cr20", PartKind.BATTERY_HOLDER, 0.85),
          new Says(
              "socket[-_ ]?strip|pin_?socket|pin_?header|^idc|header|pin[-_ ]?strip",
              PartKind.HEADER,
              0.95),
          new Says("potentiometer|^pot(?![a-z])", PartKind.POTENTIOMETER, 0.9),
          new Says("trim", PartKind.TRIMMER, 0.9),
          new Says("tact|push[-_ ]?button|(?:^|[-_])sw[-_]push|button", PartKind.BUTTON, 0.9),
          new Says("^sw[-_]|slide|toggle|dip[-_ ]?switch", PartKind.SWITCH, 0.85),
          new Says(
              "(?:usb|jack|barrel|terminal|d-?sub|^db[0-9]|conn|card|edge|bnc|rj[0-9]{2})",
              PartKind.CONNECTOR, 0.92),
          new Says(
              "(?:r|res|resistor)[-_]?(?:array|network|pack)|^rn[-_]",
              PartKind.RESISTOR_NETWORK,
              0.9),
          new Says("^(?:r|res|resistor)[-_](?!array)", PartKind.RESISTOR, 0.96),
          new Says("^(?:c|cap|capacitor)[-_]|^c[0-9]{3}(?![0-9])|^cap", PartKind.CAPACITOR, 0.95),
          new Says("^(?:l|ind|inductor)[-_]|choke", PartKind.INDUCTOR, 0.93),
          new Says(
              "^(?:d|diode)[-_]|sod[-_]?[0-9]|do[-_]?(?:7|15|16|27|34|35|41|2[0-9]{2})|melf|^sm[abc](?![a-z])",
              PartKind.DIODE, 0.95),
          new Says("^ferrite|bead", PartKind.FERRITE, 0.9),
          new Says(
              "(?<![a-z])[a-z]{0,4}(?:dip|dil|soic|sop|soj|ssop|qfp|qfn|dfn|plcc|bga|lga|lcc)(?![a-z])|(?<![a-z])so[-_ ]?(?:8|14|16|18|20|24|28)(?![0-9])",
              PartKind.IC,
              0.94));

  /** Reads a name; what it does not say is empty. */
  static FootprintName of(String text) {
    String name = text.length() > LONGEST ? text.substring(0, LONGEST) : text;
    int colon = name.lastIndexOf(':');
    String plain = name.substring(colon + 1).strip().toLowerCase(Locale.ROOT);
    Optional<Says> says =
        KINDS.stream().filter(each -> each.pattern().matcher(plain).find()).findFirst();
    Optional<PartKind> kind = says.map(Says::kind);
    Count count = count(plain, kind);
    Matcher pitch = PITCH.matcher(plain);
    OptionalDouble mm = OptionalDouble.empty();
    double sure = 0;
    if (pitch.find()) {
      mm = OptionalDouble.of(number(pitch.group(1)));
      sure = count.pins() == 2 || plain.contains("mm") ? 0.93 : 0.8;
    } else {
      mm = usualPitch(plain, kind);
      sure = mm.isPresent() ? 0.9 : 0;
    }
    Matcher diameter = DIAMETER.matcher(plain);
    boolean smd = SMD.stream().anyMatch(plain::contains) || CHIP.matcher(plain).find();
    return new FootprintName(
        kind,
        says.map(Says::confidence).orElse(0.0),
        count.pins() > 0 ? OptionalInt.of(count.pins()) : OptionalInt.empty(),
        count.confidence(),
        mm,
        sure,
        diameter.find() ? OptionalDouble.of(number(diameter.group(1))) : OptionalDouble.empty(),
        smd);
  }

  private record Count(int pins, double confidence) {
    static final Count NONE = new Count(0, 0);
  }

  private static double number(String digits) {
    return Double.parseDouble(digits.replace(',', '.'));
  }

  private static Count count(String plain, Optional<PartKind> kind) {
    Matcher exposed = EXPOSED.matcher(plain);
    int more = exposed.find() ? Integer.parseInt(exposed.group(1)) : 0;
    Matcher family = FAMILY.matcher(plain);
    if (family.find()) {
      return new Count(Integer.parseInt(family.group(2)) + more, 0.94);
    }
    Matcher small = SMALL_OUTLINE.matcher(plain);
    if (small.find()) {
      return new Count(Integer.parseInt(small.group(1)) + more, 0.92);
    }
    Matcher grid = GRID.matcher(plain);
    boolean row = kind.filter(k -> k == PartKind.HEADER || k == PartKind.CONNECTOR).isPresent();
    if (row && grid.find()) {
      return new Count(Integer.parseInt(grid.group(1)) * Integer.parseInt(grid.group(2)), 0.96);
    }
    Matcher words = PIN_WORD.matcher(plain);
    if (words.find() && Integer.parseInt(words.group(1)) > 1) {
      return new Count(Integer.parseInt(words.group(1)), 0.85);
    }
    Matcher outline = OUTLINE_3.matcher(plain);
    if (outline.find()) {
      return outline(outline.group(1), outline.group(2));
    }
    if (plain.contains("bridge") || plain.contains("array")) {
      return Count.NONE;
    }
    return kind.map(FootprintName::usualCount)
        .orElse(CHIP.matcher(plain).find() ? new Count(2, 0.95) : Count.NONE);
  }

  /** Cases for three legs, unless a number behind says otherwise. */
  private static Count outline(String number, @org.jspecify.annotations.Nullable String legs) {
    if (legs != null) {
      return new Count(Integer.parseInt(legs), 0.85);
    }
    return switch (number) {
      case "223" -> new Count(4, 0.7);
      case "25", "353", "753" -> new Count(5, 0.8);
      case "26", "326", "363", "563", "666" -> new Count(6, 0.8);
      case "24", "143", "343" -> new Count(4, 0.85);
      default -> new Count(3, 0.88);
    };
  }

  private static Count usualCount(PartKind kind) {
    return switch (kind) {
      case RESISTOR, CAPACITOR, CAPACITOR_POLARISED, DIODE, LED, FUSE -> new Count(2, 0.94);
      case INDUCTOR, FERRITE, CRYSTAL, SPEAKER, BUZZER, BATTERY_HOLDER -> new Count(2, 0.85);
      case POTENTIOMETER, TRIMMER -> new Count(3, 0.85);
      default -> Count.NONE;
    };
  }

  /** What families of cases have where their name does not say it. */
  private static OptionalDouble usualPitch(String plain, Optional<PartKind> kind) {
    if (plain.matches("(?:[a-z]{0,2}dip|dil|sip|sil)(?![a-z]).*") && !plain.contains("switch")) {
      return OptionalDouble.of(INCH_MM / 10);
    }
    if (plain.matches("led[-_ ]?d(?:3|5|8|10)(?:[.,]0)?(?:mm)?(?![0-9.]).*")) {
      return OptionalDouble.of(INCH_MM / 10);
    }
    return OptionalDouble.empty();
  }
}
