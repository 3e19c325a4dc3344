package humble.core.intake;

import humble.core.kit.PartKind;
import humble.core.words.Phrase;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What a type number says by the scheme it was given under: the American register (1N, 2N, 3N), the
 * Japanese (2SA to 2SK), the European (two or three letters: material, function), families of
 * logic, regulators that bear their volts. Schemes say what kind of part it is, seldom more.
 *
 * @param kinds kinds it may be, each with its share of the belief
 * @param scheme words core key of what it was told by
 * @param volts volts that the number says: of a regulator its output, of a zener its own; NaN when
 *     it says none
 * @param negative whether a regulator's output is below ground
 */
record TypeNumber(Map<PartKind, Double> kinds, String scheme, double volts, boolean negative) {
  private static final int LONGEST = 24;

  /** One scheme: what it looks like, and what it says of what it fits. */
  private record Scheme(String key, Pattern pattern, Function<Matcher, TypeNumber> says) {}

  private static final List<Scheme> SCHEMES =
      List.of(
          scheme(
              "european-zener",
              "[AB]Z[A-Z]?[0-9]{2,3}(?:-?[A-E]?([0-9]{1,2})V([0-9])?)?",
              m ->
                  of(
                      "european-zener",
                      m.group(1) == null
                          ? Double.NaN
                          : Double.parseDouble(
                              m.group(1) + "." + (m.group(2) == null ? "0" : m.group(2))),
                      false,
                      PartKind.ZENER,
                      0.98)),
          scheme(
              "regulator",
              "(?:[A-Z]{1,3})?(7[89])(?:[LMT]|DL)?(0[3-9]|1[0258]|24)(?:[A-Z]{0,4})",
              m ->
                  of(
                      "regulator",
                      Double.parseDouble(m.group(2)),
                      m.group(1).equals("79"),
                      PartKind.REGULATOR,
                      0.95)),
          scheme(
              "regulator-volts",
              "[A-Z]{2,4}[0-9]{2,5}[A-Z]{0,3}-?([1-9])[.V]([0-9]{1,2})",
              m ->
                  of(
                      "regulator-volts",
                      Double.parseDouble(m.group(1) + "." + m.group(2)),
                      false,
                      PartKind.REGULATOR,
                      0.9,
                      PartKind.REFERENCE,
                      0.08)),
          scheme(
              "logic",
              "(?:[A-Z]{1,2})?(?:54|74)(?:ALS|AS|AC|ACT|AHC|AHCT|ALVC|F|H|HC|HCT|HCU|L|LS|LV|LVC|LVT|S|VHC)?"
                  + "[0-9]{2,5}[A-Z]{0,4}",
              m -> of("logic", Double.NaN, false, PartKind.IC, 0.97)),
          scheme(
              "logic",
              "[A-Z]{2,3}4[0-9]{3}(?:B|UB)[A-Z]{0,3}|4[0-9]{3}(?:B|UB)",
              m -> of("logic", Double.NaN, false, PartKind.IC, 0.95)),
          scheme(
              "american",
              "1N[0-9]{2,5}[A-Z]?",
              m -> of("american", Double.NaN, false, PartKind.DIODE, 0.8, PartKind.ZENER, 0.19)),
          scheme(
              "american",
              "2N[0-9]{3,5}[A-Z]?",
              m ->
                  of(
                      "american",
                      Double.NaN,
                      false,
                      PartKind.TRANSISTOR_NPN,
                      0.55,
                      PartKind.TRANSISTOR_PNP,
                      0.3,
                      PartKind.MOSFET_N,
                      0.13)),
          scheme(
              "american",
              "3N[0-9]{3}[A-Z]?",
              m -> of("american", Double.NaN, false, PartKind.MOSFET_N, 0.8)),
          scheme(
              "japanese",
              "2S[AB][0-9]{2,4}[A-Z]?",
              m -> of("japanese", Double.NaN, false, PartKind.TRANSISTOR_PNP, 0.98)),
          scheme(
              "japanese",
              "2S[CD][0-9]{2,4}[A-Z]?",
              m -> of("japanese", Double.NaN, false, PartKind.TRANSISTOR_NPN, 0.98)),
          scheme(
              "japanese",
              "2SK[0-9]{2,4}[A-Z]?",
              m -> of("japanese", Double.NaN, false, PartKind.MOSFET_N, 0.95)),
          scheme(
              "japanese",
              "2SJ[0-9]{2,4}[A-Z]?",
              m -> of("japanese", Double.NaN, false, PartKind.MOSFET_P, 0.95)),
          scheme(
              "japanese",
              "1SS?[0-9]{2,4}[A-Z]?",
              m -> of("japanese", Double.NaN, false, PartKind.DIODE, 0.95)),
          scheme("european", "[ABC](A)[A-Z]?[0-9]{2,3}[A-Z]?", TypeNumber::european),
          scheme("european", "[ABC]([BCDFLPQSTUXY])[A-Z]?[0-9]{2,3}[A-Z]?", TypeNumber::european));

  TypeNumber {
    kinds = Map.copyOf(kinds);
  }

  private static Scheme scheme(String key, String pattern, Function<Matcher, TypeNumber> says) {
    return new Scheme(key, Pattern.compile(pattern), says);
  }

  private static TypeNumber of(
      String scheme, double volts, boolean negative, Object... kindsAndShares) {
    Map<PartKind, Double> kinds = new EnumMap<>(PartKind.class);
    for (int i = 0; i < kindsAndShares.length; i += 2) {
      kinds.put((PartKind) kindsAndShares[i], (Double) kindsAndShares[i + 1]);
    }
    return new TypeNumber(kinds, scheme, volts, negative);
  }

  /** The second letter of the European register says what it does. */
  private static TypeNumber european(Matcher found) {
    String scheme = "european";
    return switch (found.group(1).charAt(0)) {
      case 'A', 'B', 'X', 'Y' -> of(scheme, Double.NaN, false, PartKind.DIODE, 0.97);
      case 'C', 'D', 'F', 'L', 'U' ->
          of(
              scheme,
              Double.NaN,
              false,
              PartKind.TRANSISTOR_NPN,
              0.6,
              PartKind.TRANSISTOR_PNP,
              0.38);
      case 'S' ->
          of(
              scheme,
              Double.NaN,
              false,
              PartKind.MOSFET_N,
              0.5,
              PartKind.TRANSISTOR_NPN,
              0.25,
              PartKind.MOSFET_P,
              0.15);
      case 'P' -> of(scheme, Double.NaN, false, PartKind.SENSOR, 0.9);
      case 'Q' -> of(scheme, Double.NaN, false, PartKind.LED, 0.9);
      default -> of(scheme, Double.NaN, false, PartKind.OTHER, 0.9);
    };
  }

  /** Reads a word; empty when it follows no scheme. */
  static Optional<TypeNumber> of(String word) {
    String plain = word.toUpperCase(Locale.ROOT);
    if (plain.length() > LONGEST || plain.length() < 4) {
      return Optional.empty();
    }
    for (Scheme scheme : SCHEMES) {
      Matcher found = scheme.pattern().matcher(plain);
      if (found.matches()) {
        return Optional.of(scheme.says().apply(found));
      }
    }
    return Optional.empty();
  }

  /** Finds the first word of a text that follows a scheme. */
  static Optional<TypeNumber> in(String text) {
    for (String word : text.split("[\\s,;/()]+")) {
      Optional<TypeNumber> found = of(word);
      if (found.isPresent()) {
        return found;
      }
    }
    return Optional.empty();
  }

  Phrase because() {
    return Phrase.of("guess.kind.type." + scheme);
  }
}
