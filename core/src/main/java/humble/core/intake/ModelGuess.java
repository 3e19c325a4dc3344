package humble.core.intake;

import humble.core.kit.Model;
import humble.core.kit.PartKind;
import humble.core.units.Quantity;
import humble.core.units.QuantityText;
import humble.core.words.Phrase;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * The electrical model that a line chooses by what it says: the colour of a light, the volts of a
 * zener or a regulator, the register a transistor's number was given under, the corners that a
 * family of logic is fed at.
 *
 * @param model the model, null where somebody has to be asked first
 * @param guesses what had to be guessed for it, by key of the guess
 */
record ModelGuess(@Nullable Model model, List<Made> guesses) {
  /**
   * One thing guessed.
   *
   * @param key what it is about: {@code pin_order}, {@code supply_pins}, {@code vf_v} …
   */
  record Made(String key, String value, double confidence, Phrase because, List<String> others) {
    Made {
      others = List.copyOf(others);
    }
  }

  /** Forward voltage of a light by its colour at 10 mA, and how sure that is. */
  private record Light(String colour, double vfV, double confidence) {}

  private static final List<Light> LIGHTS =
      List.of(
          new Light("infrared", 1.2, 0.9),
          new Light("red", 1.9, 0.9),
          new Light("orange", 2.0, 0.85),
          new Light("amber", 2.0, 0.85),
          new Light("yellow", 2.05, 0.85),
          // Older green ones are made of another crystal than the bright ones.
          new Light("green", 2.1, 0.6),
          new Light("blue", 3.1, 0.9),
          new Light("white", 3.1, 0.9),
          new Light("pink", 3.1, 0.8),
          new Light("violet", 3.3, 0.8),
          new Light("ultraviolet", 3.4, 0.85));

  private static final Map<String, String> GERMAN =
      Map.of(
          "rot",
          "red",
          "gelb",
          "yellow",
          "grün",
          "green",
          "gruen",
          "green",
          "blau",
          "blue",
          "weiss",
          "white",
          "weiß",
          "white",
          "ir",
          "infrared",
          "uv",
          "ultraviolet");

  private static final int LEAST_PINS = 8;
  private static final int MOST_PINS = 64;

  private static final Pattern WORD = Pattern.compile("[^\\p{L}]+");
  private static final Pattern VOLTS =
      Pattern.compile("(?i)(?<![\\w.])([0-9]{1,2})(?:[.,]([0-9]{1,2}))?\\s?v([0-9])?(?![\\w])");
  private static final List<String> BIPOLAR = List.of("c b e", "e b c", "e c b");
  private static final List<String> FIELD = List.of("g d s", "s g d", "d g s");
  private static final List<String> FIXED = List.of("in gnd out", "out gnd in", "gnd out in");

  ModelGuess {
    guesses = List.copyOf(guesses);
  }

  /** What a line says that a model may be chosen by. */
  record Said(
      PartKind kind,
      String value,
      String words,
      String packageId,
      int pins,
      String pinOrder,
      String supplyPins,
      String modelVolts,
      Optional<ChipLibrary.Known> chip) {
    /** Volts that somebody decided; NaN when nobody did. */
    double decidedV() {
      String text = modelVolts.strip().replace(',', '.').replaceAll("\\s?[vV]$", "");
      return text.matches("[0-9]{1,3}(\\.[0-9]{1,3})?") ? Double.parseDouble(text) : Double.NaN;
    }
  }

  /** Chooses a model; empty where the usual one of the kind will do, or nothing is known. */
  static Optional<ModelGuess> of(Said said) {
    Optional<TypeNumber> type = TypeNumber.in(said.value() + " " + said.words());
    return switch (said.kind()) {
      case LED -> light(said);
      case ZENER -> zener(said, type);
      case TRANSISTOR_NPN, TRANSISTOR_PNP -> bipolar(said, type);
      case MOSFET_N, MOSFET_P -> field(said, type);
      case REGULATOR -> regulator(said, type);
      case IC -> fed(said, type);
      default -> Optional.empty();
    };
  }

  /** Gives the colour of light that a text names, empty when none. */
  static String colour(String text) {
    for (String word : WORD.split(text.toLowerCase(Locale.ROOT))) {
      String plain = GERMAN.getOrDefault(word, word);
      if (LIGHTS.stream().anyMatch(light -> light.colour().equals(plain))) {
        return plain;
      }
    }
    return "";
  }

  private static Optional<ModelGuess> light(Said said) {
    if (!Double.isNaN(said.decidedV())) {
      return Optional.of(
          new ModelGuess(new Model.Junction(said.decidedV(), 10, 2, true), List.of()));
    }
    String colour = colour(said.value() + " " + said.words());
    return LIGHTS.stream()
        .filter(light -> light.colour().equals(colour))
        .findFirst()
        .map(light ->
            new ModelGuess(
                new Model.Junction(light.vfV(), 10, 2, true),
                List.of(
                    new Made(
                        "vf_v",
                        Double.toString(light.vfV()),
                        light.confidence(),
                        Phrase.of("guess.model.light", colour),
                        colour.equals("green") ? List.of("3.1") : List.of()))));
  }

  private static Optional<ModelGuess> zener(Said said, Optional<TypeNumber> type) {
    if (!Double.isNaN(said.decidedV())) {
      return Optional.of(new ModelGuess(new Model.Zener(said.decidedV(), 5), List.of()));
    }
    double volts = type.map(TypeNumber::volts).orElse(Double.NaN);
    if (!Double.isNaN(volts)) {
      return Optional.of(volts(volts, 0.97, Phrase.of("guess.model.number")));
    }
    if (Quantity.parse(said.value()) instanceof QuantityText.Read) {
      return Optional.empty();
    }
    Double spoken = volts(said.value() + " " + said.words());
    return spoken == null
        ? Optional.empty()
        : Optional.of(volts(spoken, 0.95, Phrase.of("guess.model.volts")));
  }

  private static ModelGuess volts(double volts, double confidence, Phrase because) {
    return new ModelGuess(
        new Model.Zener(volts, 5),
        List.of(new Made("vz_v", Double.toString(volts), confidence, because, List.of())));
  }

  /** Volts that stand in a text: {@code 5V1}, {@code 3.3 V}. */
  private static @Nullable Double volts(String text) {
    Matcher found = VOLTS.matcher(text);
    if (!found.find()) {
      return null;
    }
    String decimals = found.group(2) != null ? found.group(2) : found.group(3);
    return Double.valueOf(found.group(1) + (decimals == null ? "" : "." + decimals));
  }

  private static Optional<ModelGuess> bipolar(Said said, Optional<TypeNumber> type) {
    if (said.pins() != 3) {
      return Optional.empty();
    }
    boolean tab = said.packageId().startsWith("tab-3");
    String scheme = type.map(TypeNumber::scheme).orElse("");
    String usual =
        tab
            ? "b c e"
            : switch (scheme) {
              case "american" -> "e b c";
              case "japanese" -> "e c b";
              case "european" -> "c b e";
              default -> "c b e";
            };
    Made made =
        order(
            said,
            usual,
            tab ? List.of("b c e", "c b e", "e b c") : BIPOLAR,
            scheme.isEmpty() && !tab ? 0.5 : 0.75,
            tab ? "guess.model.tab" : "guess.model.legs." + (scheme.isEmpty() ? "none" : scheme));
    List<String> legs = List.of(made.value().split(" "));
    if (!legs.containsAll(List.of("c", "b", "e"))) {
      return Optional.empty();
    }
    return Optional.of(
        new ModelGuess(
            new Model.Bipolar(
                said.kind() == PartKind.TRANSISTOR_NPN,
                200,
                pin(legs, "b"),
                pin(legs, "c"),
                pin(legs, "e")),
            asked(said, made)));
  }

  private static Optional<ModelGuess> field(Said said, Optional<TypeNumber> type) {
    if (said.pins() != 3) {
      return Optional.empty();
    }
    boolean tab = said.packageId().startsWith("tab-3");
    String scheme = type.map(TypeNumber::scheme).orElse("");
    String usual =
        tab
            ? "g d s"
            : scheme.equals("american") ? "s g d" : scheme.equals("european") ? "d g s" : "s g d";
    Made made =
        order(
            said,
            usual,
            FIELD,
            tab ? 0.9 : scheme.isEmpty() ? 0.5 : 0.7,
            tab ? "guess.model.tab" : "guess.model.legs." + (scheme.isEmpty() ? "none" : scheme));
    List<String> legs = List.of(made.value().split(" "));
    if (!legs.containsAll(List.of("g", "d", "s"))) {
      return Optional.empty();
    }
    return Optional.of(
        new ModelGuess(
            new Model.Mosfet(
                said.kind() == PartKind.MOSFET_N,
                said.kind() == PartKind.MOSFET_N ? 2 : -2,
                0.1,
                pin(legs, "g"),
                pin(legs, "d"),
                pin(legs, "s")),
            asked(said, made)));
  }

  private static Optional<ModelGuess> regulator(Said said, Optional<TypeNumber> type) {
    Double spoken = volts(said.value() + " " + said.words());
    double volts = type.map(TypeNumber::volts).orElse(Double.NaN);
    boolean number = !Double.isNaN(volts);
    if (!number && spoken != null) {
      volts = spoken;
    }
    boolean decided = !Double.isNaN(said.decidedV());
    volts = decided ? said.decidedV() : volts;
    // Below ground nothing here reckons with a regulator.
    if (Double.isNaN(volts) || said.pins() != 3 || type.filter(TypeNumber::negative).isPresent()) {
      return Optional.empty();
    }
    boolean tab = said.packageId().startsWith("tab-3");
    boolean plain = type.map(t -> t.scheme().equals("regulator")).orElse(false);
    String usual = plain ? (tab ? "in gnd out" : "out gnd in") : "gnd out in";
    Made made = order(said, usual, FIXED, plain ? (tab ? 0.9 : 0.8) : 0.5, "guess.model.regulator");
    List<String> legs = List.of(made.value().split(" "));
    if (!legs.containsAll(List.of("in", "gnd", "out"))) {
      return Optional.empty();
    }
    List<Made> guesses = new ArrayList<>();
    if (!decided) {
      guesses.add(
          new Made(
              "vout_v",
              Double.toString(volts),
              number ? 0.95 : 0.85,
              Phrase.of(number ? "guess.model.number" : "guess.model.volts"),
              List.of()));
    }
    guesses.addAll(asked(said, made));
    return Optional.of(
        new ModelGuess(
            new Model.Regulator(
                volts,
                plain ? 2 : 1.1,
                tab ? 1000 : 100,
                5,
                tab ? 65 : 180,
                pin(legs, "in"),
                pin(legs, "gnd"),
                pin(legs, "out")),
            guesses));
  }

  /** Most logic is fed at the last pin and at the last of the first half. */
  private static Optional<ModelGuess> fed(Said said, Optional<TypeNumber> type) {
    boolean given = said.supplyPins().matches("[0-9A-Za-z]{1,4} [0-9A-Za-z]{1,4}");
    boolean logic = type.map(t -> t.scheme().equals("logic")).orElse(false);
    boolean corners = logic && List.of(14, 16, 20).contains(said.pins());
    if (!given && said.chip().isPresent()) {
      ChipLibrary.Known known = said.chip().get();
      return Optional.of(
          new ModelGuess(
              known.model(),
              List.of(
                  new Made(
                      "supply_pins",
                      known.model().plus() + " " + known.model().minus(),
                      0.95,
                      Phrase.of("guess.model.chip", known.kit()),
                      List.of()))));
    }
    if (!given && !corners) {
      return unfed(said);
    }
    String[] pins =
        given
            ? said.supplyPins().split(" ")
            : new String[] {Integer.toString(said.pins()), Integer.toString(said.pins() / 2)};
    List<Made> guesses =
        given
            ? List.of()
            : List.of(
                new Made(
                    "supply_pins",
                    pins[0] + " " + pins[1],
                    0.9,
                    Phrase.of("guess.model.corners"),
                    List.of()));
    return Optional.of(new ModelGuess(new Model.Load(pins[0], pins[1], 2, 2, Map.of()), guesses));
  }

  /** Nobody says where it is fed: it is asked, and no model is made of it before. */
  private static Optional<ModelGuess> unfed(Said said) {
    int pins = said.pins();
    if (pins < LEAST_PINS || pins > MOST_PINS || pins % 2 != 0) {
      return Optional.empty();
    }
    String usual = pins + " " + pins / 2;
    List<String> others =
        pins == LEAST_PINS
            ? List.of("8 1", "1 8", "1 4")
            : List.of(pins / 2 + " " + pins, "1 " + pins, "1 " + pins / 2);
    return Optional.of(
        new ModelGuess(
            null,
            List.of(new Made("supply_pins", usual, 0.4, Phrase.of("guess.model.unfed"), others))));
  }

  private static Made order(
      Said said, String usual, List<String> all, double confidence, String because) {
    String order =
        said.pinOrder().isBlank() ? usual : said.pinOrder().strip().toLowerCase(Locale.ROOT);
    return new Made(
        "pin_order",
        order,
        confidence,
        Phrase.of(because),
        all.stream().filter(each -> !each.equals(order)).toList());
  }

  /** What the list says is no guess. */
  private static List<Made> asked(Said said, Made made) {
    return said.pinOrder().isBlank() ? List.of(made) : List.of();
  }

  private static String pin(List<String> legs, String leg) {
    return Integer.toString(legs.indexOf(leg) + 1);
  }
}
