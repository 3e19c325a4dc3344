package humble.core.intake;

import java.text.Normalizer;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Pattern;

/** Short names of letters, digits and hyphens, as ids of kit files are. */
final class Slug {
  /** Accents, once they stand apart from their letters. */
  static final Pattern MARKS = Pattern.compile("\\p{M}");

  private static final Pattern OTHER = Pattern.compile("[^a-z0-9.]+");
  private static final Pattern ENDS = Pattern.compile("^[-.]+|[-.]+$");
  private static final int LONGEST = 40;

  private Slug() {}

  /** Gives a name made of {@code text}; {@code x} when nothing of it can stand in one. */
  static String of(String text) {
    String spelled =
        text.substring(0, Math.min(text.length(), 4 * LONGEST))
            .replace("µ", "u")
            .replace("μ", "u")
            .replace("Ω", "r");
    String accents = Normalizer.normalize(spelled, Normalizer.Form.NFD);
    String lower = MARKS.matcher(accents).replaceAll("").toLowerCase(Locale.ROOT);
    String plain = ENDS.matcher(OTHER.matcher(lower).replaceAll("-")).replaceAll("");
    String cut =
        plain.length() > LONGEST ? ENDS.matcher(plain.substring(0, LONGEST)).replaceAll("") : plain;
    return cut.isEmpty() ? "x" : cut;
  }

  /**
   * Gives {@code base}, or the first of {@code base-2}, {@code base-3}… that is not taken, and
   * takes it.
   */
  static String free(String base, Set<String> taken) {
    String name = base;
    for (int i = 2; !taken.add(name); i++) {
      name = base + "-" + i;
    }
    return name;
  }
}
