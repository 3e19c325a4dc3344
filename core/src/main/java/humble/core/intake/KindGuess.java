package humble.core.intake;

import humble.core.kit.PartKind;
import humble.core.units.Quantity;
import humble.core.units.QuantityText;
import humble.core.words.Phrase;
import java.text.Normalizer;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What kind of part a row is about: the class letters of its designator (after IEC 81346-2 and IEEE
 * 315), its words, its unit and its case, each as odds that are multiplied.
 *
 * @param kind the likeliest kind
 * @param confidence its share of the belief, 0 to 1
 * @param because what speaks for it
 * @param others kinds with at least a fiftieth of the belief, the likeliest first
 */
record KindGuess(PartKind kind, double confidence, Phrase because, List<PartKind> others) {
  private static final String COLOURS =
      "red|green|blue|yellow|white|amber|orange|rot|grun|blau|gelb|weiss";
  private static final Pattern INTO =
      Pattern.compile("(^|[^a-z])(in|into|with|on|needs|use)( an?| the| its)? $");
  private static final Pattern BREAK = Pattern.compile("[\\s/]+");
  private static final Pattern HERTZ = Pattern.compile("(?i)[0-9]\\s*[mk]hz\\b");
  private static final Pattern OHMS = Pattern.compile("(?i)ω|Ω|ohm|r");
  private static final Pattern HENRIES = Pattern.compile("(?i)h$");
  private static final double FAINT = 0.02;

  /** What a footprint's name is worth beside the letters of a designator. */
  private static final double FOOTPRINT = 3;

  /** Belief that an unlisted kind stands behind letters that usually mean others. */
  private static final double STRANGER = 0.001;

  /** Letters of classes that say nothing of the kinds known here. */
  private static final Set<String> OTHER_CLASSES =
      Set.of("TP", "TB", "PS", "MK", "MIC", "ANT", "A", "K", "RL", "RLY", "RY", "G", "V", "N", "E");

  private static final Map<String, Map<PartKind, Double>> LETTERS = letters();

  private static Map<String, Map<PartKind, Double>> letters() {
    Map<String, Map<PartKind, Double>> all = new java.util.HashMap<>();
    put(all, "R", PartKind.RESISTOR, 0.97, PartKind.RESISTOR_NETWORK, 0.01, PartKind.LDR, 0.01);
    put(all, "RN RA RP", PartKind.RESISTOR_NETWORK, 0.9, PartKind.RESISTOR, 0.1);
    put(all, "RV VR POT P", PartKind.POTENTIOMETER, 0.55, PartKind.TRIMMER, 0.45);
    put(all, "TRIM TR", PartKind.TRIMMER, 0.8, PartKind.TRANSISTOR_NPN, 0.1);
    put(all, "LDR", PartKind.LDR, 0.97, PartKind.RESISTOR, 0.03);
    put(all, "C", PartKind.CAPACITOR, 0.8, PartKind.CAPACITOR_POLARISED, 0.2);
    put(all, "CP CE", PartKind.CAPACITOR_POLARISED, 0.92, PartKind.CAPACITOR, 0.08);
    put(all, "L", PartKind.INDUCTOR, 0.85, PartKind.COIL, 0.08, PartKind.FERRITE, 0.07);
    put(all, "FB", PartKind.FERRITE, 0.95, PartKind.INDUCTOR, 0.05);
    put(all, "D", PartKind.DIODE, 0.7, PartKind.LED, 0.22, PartKind.ZENER, 0.08);
    put(all, "ZD DZ", PartKind.ZENER, 0.95, PartKind.DIODE, 0.05);
    put(all, "LED LD", PartKind.LED, 0.95, PartKind.LED_SMART, 0.05);
    put(
        all,
        "Q T",
        PartKind.TRANSISTOR_NPN,
        0.5,
        PartKind.TRANSISTOR_PNP,
        0.2,
        PartKind.MOSFET_N,
        0.2,
        PartKind.MOSFET_P,
        0.1);
    put(all, "U IC", PartKind.IC, 0.87, PartKind.REGULATOR, 0.08, PartKind.MODULE, 0.05);
    put(all, "REG VREG", PartKind.REGULATOR, 0.95, PartKind.IC, 0.05);
    put(all, "X Y XTAL", PartKind.CRYSTAL, 0.85, PartKind.RESONATOR, 0.15);
    put(all, "S SW", PartKind.SWITCH, 0.5, PartKind.BUTTON, 0.5);
    put(all, "BTN PB B", PartKind.BUTTON, 0.9, PartKind.SWITCH, 0.1);
    put(all, "J CN CON CONN", PartKind.CONNECTOR, 0.6, PartKind.HEADER, 0.4);
    put(all, "JP", PartKind.JUMPER, 0.7, PartKind.HEADER, 0.3);
    put(all, "HDR", PartKind.HEADER, 0.95, PartKind.CONNECTOR, 0.05);
    put(all, "H MH", PartKind.MECHANICAL, 0.9, PartKind.HEADER, 0.1);
    put(all, "F", PartKind.FUSE, 0.97, PartKind.OTHER, 0.03);
    put(all, "BT BAT", PartKind.BATTERY_HOLDER, 0.6, PartKind.BATTERY, 0.4);
    put(all, "BZ", PartKind.BUZZER, 0.95, PartKind.SPEAKER, 0.05);
    put(all, "LS SP SPK", PartKind.SPEAKER, 0.8, PartKind.BUZZER, 0.2);
    put(all, "DS DISP LCD", PartKind.DISPLAY, 0.95, PartKind.LED, 0.05);
    put(all, "SK SOC XU", PartKind.SOCKET, 0.95, PartKind.CONNECTOR, 0.05);
    put(all, "M MOD", PartKind.MODULE, 0.9, PartKind.MECHANICAL, 0.1);
    put(all, "W WIRE", PartKind.WIRE, 0.6, PartKind.LINK, 0.4);
    put(all, "LK LINK", PartKind.LINK, 0.95, PartKind.JUMPER, 0.05);
    put(all, "ENC RE", PartKind.ENCODER, 0.95, PartKind.SWITCH, 0.05);
    return Map.copyOf(all);
  }

  /** Tells whether letters of a designator stand for a class of parts. */
  static boolean isClass(String letters) {
    return LETTERS.containsKey(letters) || OTHER_CLASSES.contains(letters);
  }

  private static void put(
      Map<String, Map<PartKind, Double>> all, String prefixes, Object... kindsAndBeliefs) {
    Map<PartKind, Double> beliefs = new EnumMap<>(PartKind.class);
    for (int i = 0; i < kindsAndBeliefs.length; i += 2) {
      beliefs.put((PartKind) kindsAndBeliefs[i], (Double) kindsAndBeliefs[i + 1]);
    }
    for (String prefix : prefixes.split(" ")) {
      all.put(prefix, beliefs);
    }
  }

  /** Words that speak for a kind, each with how much more often they stand with it than without. */
  private record Word(String text, Pattern pattern, double odds, Set<PartKind> kinds) {
    Word(String pattern, double odds, PartKind... kinds) {
      this(pattern, Pattern.compile("(" + pattern + ")(?![a-z])"), odds, Set.of(kinds));
    }
  }

  private static final List<Word> WORDS =
      List.of(
          new Word("resistors?|widerst(and|ande)|carbon film|metal film", 60, PartKind.RESISTOR),
          new Word(
              "resistor (network|array)s?|sil resistor|networks?|arrays?",
              5000,
              PartKind.RESISTOR_NETWORK),
          new Word(
              "electrolytics?|elkos?|polari[sz]ed|tantalum", 400, PartKind.CAPACITOR_POLARISED),
          new Word("ceramics?|film|disc|disk|kerko|polyester", 8, PartKind.CAPACITOR),
          new Word(
              "capacitors?|caps?|kondensator(en)?",
              60,
              PartKind.CAPACITOR,
              PartKind.CAPACITOR_POLARISED),
          new Word("inductors?|chokes?|drossel", 200, PartKind.INDUCTOR),
          new Word("ferrite|beads?", 100, PartKind.FERRITE),
          new Word("coils?|spule", 60, PartKind.COIL),
          new Word("addressable|smart leds?", 5000, PartKind.LED_SMART),
          new Word("leds?|light.?emitting", 400, PartKind.LED),
          new Word(COLOURS, 20, PartKind.LED),
          new Word("led matri(x|ces)|matrix", 200, PartKind.LED_MATRIX),
          new Word("zeners?|z-?diodes?", 500, PartKind.ZENER),
          new Word("schottky|rectifiers?|signal diodes?", 200, PartKind.DIODE),
          new Word("diodes?", 30, PartKind.DIODE),
          new Word("npn", 1000, PartKind.TRANSISTOR_NPN),
          new Word("pnp", 1000, PartKind.TRANSISTOR_PNP),
          new Word("n-?(channel|mos|fet|mosfet)", 1000, PartKind.MOSFET_N),
          new Word("p-?(channel|mos|fet|mosfet)", 1000, PartKind.MOSFET_P),
          new Word("mosfets?", 200, PartKind.MOSFET_N, PartKind.MOSFET_P),
          new Word("fets?", 200, PartKind.MOSFET_N, PartKind.MOSFET_P),
          new Word(
              "transistors?",
              40,
              PartKind.TRANSISTOR_NPN,
              PartKind.TRANSISTOR_PNP,
              PartKind.MOSFET_N,
              PartKind.MOSFET_P),
          new Word("regulators?|ldo|spannungsregler", 400, PartKind.REGULATOR),
          new Word("references?", 30, PartKind.REFERENCE),
          new Word("sockets?|sockel|fassung", 1000, PartKind.SOCKET),
          new Word("crystals?|quartz|xtal|quarz", 400, PartKind.CRYSTAL),
          new Word("resonators?", 1000, PartKind.RESONATOR),
          new Word("push.?buttons?|buttons?|tact(ile)?|taster", 300, PartKind.BUTTON),
          new Word("slide|toggle|rocker|dip.?switch|schalter", 100, PartKind.SWITCH),
          new Word("switch(es)?", 4, PartKind.SWITCH),
          new Word("trimmers?|trim.?pots?|presets?", 500, PartKind.TRIMMER),
          new Word("potentiometers?|pots?|poti", 100, PartKind.POTENTIOMETER),
          new Word("encoders?", 1000, PartKind.ENCODER),
          new Word("joysticks?|thumb.?sticks?", 1000, PartKind.JOYSTICK),
          new Word("photo.?resistors?|ldrs?|light.dependent", 5000, PartKind.LDR),
          new Word("sensors?", 200, PartKind.SENSOR),
          new Word(
              "pin (header|row|strip|receptacle)s?|headers?|stiftleiste|buchsenleiste",
              200,
              PartKind.HEADER),
          new Word(
              "socket (strip|row|header|bar)s?|(pin|header) sockets?|female (header|strip)s?",
              500_000,
              PartKind.HEADER),
          new Word(
              "jacks?|plugs?|usb|connectors?|terminals?|receptacles?|buchse|stecker",
              60,
              PartKind.CONNECTOR),
          new Word("displays?|oled|lcd|7.?segments?|seven.?segments?", 500, PartKind.DISPLAY),
          new Word("modules?|breakouts?", 100, PartKind.MODULE),
          new Word("buzzers?|piezos?|sounders?", 400, PartKind.BUZZER),
          new Word("speakers?|lautsprecher", 400, PartKind.SPEAKER),
          new Word("holders?|batteriehalter", 300, PartKind.BATTERY_HOLDER),
          new Word("batter(y|ies)|cells?|batterie", 40, PartKind.BATTERY),
          new Word(
              "usb (cables?|leads?|cords?)|power (cables?|leads?|cords?)|audio (cables?|leads?)",
              100_000,
              PartKind.WIRE),
          new Word("fuses?|sicherung", 400, PartKind.FUSE),
          new Word("jumpers?", 60, PartKind.JUMPER),
          new Word("links?|wire links?|wire bridges?", 60, PartKind.LINK),
          new Word("wires?|draht|cables?|kabel", 20, PartKind.WIRE),
          new Word(
              "screws?|nuts?|spacers?|standoffs?|washers?|schrauben?|muttern?|feet|knobs?|case",
              3000,
              PartKind.MECHANICAL),
          new Word(
              "ics?|(micro.?)?controllers?|processors?|op.?amps?|chips?|timers?|gates?|drivers?",
              60,
              PartKind.IC));

  /** Words by the letters they may begin with: most words of a list begin with none of them. */
  private static final Map<Character, List<Word>> BY_LETTER = byLetter();

  private static Map<Character, List<Word>> byLetter() {
    Map<Character, List<Word>> all = new java.util.HashMap<>();
    for (Word word : WORDS) {
      for (String alternative : word.text().split("\\|(?![^(]*\\))")) {
        List<Word> words = all.computeIfAbsent(alternative.charAt(0), letter -> new ArrayList<>());
        if (!words.contains(word)) {
          words.add(word);
        }
      }
    }
    return Map.copyOf(all);
  }

  /** Cases that come with some kinds only. */
  private static final List<Word> CASES =
      List.of(
          new Word("socket-.*", 2000, PartKind.SOCKET),
          new Word("dip-.*|so-.*|qfp-.*", 15, PartKind.IC),
          new Word("radial-.*", 40, PartKind.CAPACITOR_POLARISED),
          new Word("disc-.*|film-.*", 8, PartKind.CAPACITOR),
          new Word("led-.*", 100, PartKind.LED),
          new Word("crystal-.*", 60, PartKind.CRYSTAL),
          new Word("axial-small-glass|axial-power-diode", 20, PartKind.DIODE, PartKind.ZENER),
          new Word("tab-3-.*", 10, PartKind.REGULATOR, PartKind.MOSFET_N),
          new Word(
              "half-round-3",
              6,
              PartKind.TRANSISTOR_NPN,
              PartKind.TRANSISTOR_PNP,
              PartKind.REGULATOR,
              PartKind.REFERENCE,
              PartKind.SENSOR),
          new Word("tact-6", 60, PartKind.BUTTON),
          new Word("slide-3|toggle-panel", 60, PartKind.SWITCH),
          new Word("trimmer-6", 60, PartKind.TRIMMER),
          new Word("pot-9", 60, PartKind.POTENTIOMETER),
          new Word("header-.*|receptacle-.*", 30, PartKind.HEADER),
          new Word("buzzer-12", 60, PartKind.BUZZER),
          new Word("coin-holder", 100, PartKind.BATTERY_HOLDER),
          new Word("jack-barrel|usb-edge|card-slot|terminal-.*", 60, PartKind.CONNECTOR),
          new Word("sip-.*", 10, PartKind.RESISTOR_NETWORK));

  private static final int MOST_JUDGED = 300;

  /** Judges a row that names no footprint. */
  static KindGuess of(List<String> refs, String words, String value, String packageId) {
    return of(refs, words, value, packageId, "");
  }

  /** Judges a row. */
  static KindGuess of(
      List<String> refs, String words, String value, String packageId, String footprint) {
    Belief belief = new Belief();
    letters(refs, belief);
    spoken(plain(beginning(words)), belief);
    for (Word word : CASES) {
      if (!packageId.isEmpty() && word.pattern().matcher(packageId).matches()) {
        belief.favour(word.kinds(), word.odds(), Phrase.of("guess.kind.case", packageId));
      }
    }
    if (!footprint.isBlank()) {
      FootprintName named = FootprintName.of(footprint);
      named
          .kind()
          .ifPresent(kind ->
              belief.favour(
                  Set.of(kind),
                  FOOTPRINT * named.kindConfidence() / (1 - named.kindConfidence()),
                  Phrase.of("guess.kind.footprint", footprint.strip())));
    }
    unit(beginning(value), belief);
    TypeNumber.in(beginning(value) + " " + beginning(words)).ifPresent(type -> belief.type(type));
    return belief.verdict();
  }

  /**
   * What a part is stands at the beginning of a text; the rest of a long one is kept, not judged.
   */
  static String beginning(String text) {
    return text.length() > MOST_JUDGED ? text.substring(0, MOST_JUDGED) : text;
  }

  private static void letters(List<String> refs, Belief belief) {
    Optional<String> prefix = refs.stream().findFirst().flatMap(RefList::prefix);
    Map<PartKind, Double> known = prefix.map(LETTERS::get).orElse(null);
    if (known == null) {
      return;
    }
    belief.begin(known, Phrase.of("guess.kind.designator", prefix.get()));
  }

  /** Every word counts once, however often it stands there. */
  private static void spoken(String plain, Belief belief) {
    Set<Word> heard = new HashSet<>();
    for (int i = 0; i < plain.length(); i++) {
      if (i > 0 && isLetter(plain.charAt(i - 1))) {
        continue;
      }
      for (Word word : BY_LETTER.getOrDefault(plain.charAt(i), List.of())) {
        Matcher found = word.pattern().matcher(plain).region(i, plain.length());
        if (found.lookingAt() && !isBeside(plain, i, word) && heard.add(word)) {
          belief.favour(word.kinds(), word.odds(), Phrase.of("guess.kind.words", found.group(1)));
        }
      }
    }
  }

  /** What goes into a socket is none. */
  private static boolean isBeside(String plain, int at, Word word) {
    return word.kinds().contains(PartKind.SOCKET)
        && INTO.matcher(plain.substring(Math.max(0, at - 12), at)).find();
  }

  /** Tells whether a text says nothing but what kind of part it is: {@code LED}, {@code chip}. */
  static boolean isOnly(PartKind kind, String text) {
    String left = plain(text).strip();
    for (Word word : WORDS) {
      if (word.kinds().contains(kind) && !COLOURS.contains(word.text())) {
        left = word.pattern().matcher(left).replaceAll(" ").strip();
      }
    }
    return left.isEmpty();
  }

  private static boolean isLetter(char c) {
    return c >= 'a' && c <= 'z';
  }

  /** What the unit of a value says: farads, ohms, henries, hertz. */
  private static void unit(String value, Belief belief) {
    String text = value.strip();
    if (HERTZ.matcher(text).find()) {
      belief.favour(
          Set.of(PartKind.CRYSTAL, PartKind.RESONATOR), 100, Phrase.of("guess.kind.hertz"));
      return;
    }
    String first = BREAK.split(text, 2)[0];
    if (!(Quantity.parse(first) instanceof QuantityText.Read read) || first.isEmpty()) {
      return;
    }
    if (OHMS.matcher(first).find() || Set.of("k", "M").contains(read.prefix())) {
      belief.favour(
          Set.of(
              PartKind.RESISTOR,
              PartKind.RESISTOR_NETWORK,
              PartKind.TRIMMER,
              PartKind.POTENTIOMETER,
              PartKind.LDR),
          15,
          Phrase.of("guess.kind.ohms", first));
    } else if (HENRIES.matcher(first).find()) {
      belief.favour(
          Set.of(PartKind.INDUCTOR, PartKind.COIL), 30, Phrase.of("guess.kind.henries", first));
    } else if (Set.of("p", "n", "u").contains(read.prefix())) {
      belief.favour(
          Set.of(PartKind.CAPACITOR, PartKind.CAPACITOR_POLARISED),
          15,
          Phrase.of("guess.kind.farads", first));
      if (read.value() >= 0.9e-6) {
        belief.favour(
            Set.of(PartKind.CAPACITOR_POLARISED), 12, Phrase.of("guess.kind.large", first));
      } else {
        belief.favour(Set.of(PartKind.CAPACITOR), 20, Phrase.of("guess.kind.small", first));
      }
    }
  }

  private static String plain(String words) {
    String accents = Normalizer.normalize(words, Normalizer.Form.NFD);
    return Slug.MARKS.matcher(accents).replaceAll("").toLowerCase(Locale.ROOT);
  }

  /** Odds of every kind, and why. */
  private static final class Belief {
    private static final PartKind[] KINDS = PartKind.values();

    private final double[] odds = new double[KINDS.length];
    private final Map<PartKind, List<Phrase>> reasons = new EnumMap<>(PartKind.class);
    private boolean evidence;

    Belief() {
      Arrays.fill(odds, 0.2);
      odds[PartKind.OTHER.ordinal()] = 1;
    }

    void begin(Map<PartKind, Double> known, Phrase reason) {
      evidence = true;
      Arrays.fill(odds, STRANGER);
      known.forEach((kind, share) -> {
        odds[kind.ordinal()] = share;
        reason(kind, reason);
      });
    }

    /** A scheme says what kinds there may be, and how likely each is. */
    void type(TypeNumber type) {
      evidence = true;
      type.kinds()
          .forEach((kind, share) -> {
            odds[kind.ordinal()] *= 400 * share;
            reason(kind, type.because());
          });
    }

    void favour(Set<PartKind> kinds, double factor, Phrase reason) {
      evidence = true;
      for (PartKind kind : kinds) {
        odds[kind.ordinal()] *= factor;
        reason(kind, reason);
      }
    }

    private void reason(PartKind kind, Phrase reason) {
      reasons.computeIfAbsent(kind, k -> new ArrayList<>()).add(reason);
    }

    KindGuess verdict() {
      double sum = Arrays.stream(odds).sum();
      List<PartKind> ranked = new ArrayList<>();
      for (PartKind kind : KINDS) {
        if (odds[kind.ordinal()] / sum >= FAINT) {
          ranked.add(kind);
        }
      }
      ranked.sort(Comparator.comparingDouble(kind -> -odds[kind.ordinal()]));
      PartKind best = evidence && !ranked.isEmpty() ? ranked.getFirst() : PartKind.OTHER;
      List<Phrase> why = reasons.getOrDefault(best, List.of());
      return new KindGuess(
          best,
          Math.min(0.99, odds[best.ordinal()] / sum),
          why.isEmpty() ? Phrase.of("guess.kind.nothing") : Phrase.of("guess.all", why),
          ranked.stream().filter(kind -> kind != best).toList());
    }
  }
}
