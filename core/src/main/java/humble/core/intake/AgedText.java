package humble.core.intake;

import humble.core.kit.Aged;
import humble.core.kit.Ratings;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** An aged part in one cell of a table: {@code rated_v=16 height_mm=12 value=220u}. */
public final class AgedText {
  private static final String VALUE = "value=";

  private AgedText() {}

  /** Gives the text of one. */
  public static String text(Aged aged) {
    List<String> words = new ArrayList<>();
    add(words, "rated_v", aged.ratings().volts());
    add(words, "rated_c", aged.ratings().celsius());
    add(words, "diameter_mm", aged.diameterMm());
    add(words, "height_mm", aged.heightMm());
    add(words, "pitch_mm", aged.pitchMm());
    if (aged.unpolarised()) {
      words.add("unpolarised=true");
    }
    words.add(VALUE + aged.value());
    return String.join(" ", words);
  }

  private static void add(List<String> words, String key, @Nullable Double number) {
    if (number != null) {
      words.add(key + "=" + number);
    }
  }

  /** Reads one; empty where the text has no value. */
  static Optional<Aged> read(String text) {
    int at = text.indexOf(VALUE);
    if (at < 0) {
      return Optional.empty();
    }
    Map<String, String> said = new HashMap<>();
    for (String word : text.substring(0, at).strip().split("\\s+")) {
      int equals = word.indexOf('=');
      if (equals > 0) {
        said.put(word.substring(0, equals), word.substring(equals + 1));
      }
    }
    return Optional.of(
        new Aged(
            text.substring(at + VALUE.length()).strip(),
            new Ratings(number(said.get("rated_v")), number(said.get("rated_c"))),
            number(said.get("diameter_mm")),
            number(said.get("height_mm")),
            number(said.get("pitch_mm")),
            "true".equals(said.get("unpolarised"))));
  }

  /** Gives a number as such lists write it; null for anything else. */
  static @Nullable Double number(@Nullable String text) {
    return text != null && text.strip().matches("-?[0-9]{1,6}(\\.[0-9]{1,6})?")
        ? Double.valueOf(text.strip())
        : null;
  }
}
