package humble.core.intake;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Reference designators as people list them: {@code R1-R4}, {@code R7..R9}, {@code C1, C2}, {@code
 * R1 to R4}, {@code D1-4}.
 *
 * @param refs every designator, in the order written, each once
 * @param problems one sentence for each piece that is no designator
 */
public record RefList(List<String> refs, List<String> problems) {
  private static final int LONGEST_RANGE = 2000;
  private static final int MOST = 10_000;

  /** One designator: letters, digits, and perhaps one letter for a unit of the part. */
  static final Pattern REF = Pattern.compile("[A-Za-z]{1,6}_?[0-9]{1,5}[A-Za-z]?");

  private static final Pattern BREAK = Pattern.compile("[,;+&/\\s]+");
  private static final Pattern RANGE =
      Pattern.compile(
          "([A-Za-z]{1,6}_?)([0-9]{1,5})(?:-|–|—|\\.{2,3}|…|:|~)([A-Za-z]*_?)([0-9]{1,5})");
  private static final Pattern BLANKS = Pattern.compile("\\s{2,}");
  private static final Pattern AROUND =
      Pattern.compile("\\s*(-|–|—|\\.{2,3}|…|~|\\bto\\b|\\bbis\\b)\\s*");

  public RefList {
    refs = List.copyOf(refs);
    problems = List.copyOf(problems);
  }

  /** Reads a list; never throws for what was written. */
  public static RefList read(String text) {
    Set<String> refs = new LinkedHashSet<>();
    List<String> problems = new ArrayList<>();
    String joined =
        AROUND
            .matcher(BLANKS.matcher(text.strip()).replaceAll(" "))
            .replaceAll(m -> Character.isLetter(m.group(1).charAt(0)) ? "-" : m.group(1));
    for (String piece : BREAK.split(joined)) {
      if (!piece.isEmpty() && refs.size() <= MOST) {
        piece(piece, refs, problems);
      }
    }
    if (refs.size() > MOST) {
      problems.add("More than " + MOST + " designators stand in one place.");
    }
    return new RefList(List.copyOf(refs), problems);
  }

  private static void piece(String piece, Set<String> refs, List<String> problems) {
    Matcher range = RANGE.matcher(piece);
    if (range.matches()) {
      range(range, piece, refs, problems);
    } else if (REF.matcher(piece).matches()) {
      add(piece, refs, problems);
    } else {
      problems.add("'" + piece + "' is no designator such as R1.");
    }
  }

  private static void range(Matcher range, String piece, Set<String> refs, List<String> problems) {
    String prefix = range.group(1);
    int from = Integer.parseInt(range.group(2));
    int to = Integer.parseInt(range.group(4));
    if (!range.group(3).isEmpty() && !range.group(3).equalsIgnoreCase(prefix)) {
      problems.add("'" + piece + "' runs from one kind of designator to another.");
    } else if (to < from) {
      problems.add("'" + piece + "' runs backwards.");
    } else if (to - from >= LONGEST_RANGE) {
      problems.add("'" + piece + "' runs over more than " + LONGEST_RANGE + " designators.");
    } else {
      for (int i = from; i <= to; i++) {
        add(prefix + i, refs, problems);
      }
    }
  }

  private static void add(String ref, Set<String> refs, List<String> problems) {
    if (!refs.add(ref)) {
      problems.add(ref + " is listed twice.");
    }
  }

  /** Tells whether {@code word} is a designator, or a range of them. */
  static boolean isRefs(String word) {
    return REF.matcher(word).matches() || RANGE.matcher(word).matches();
  }

  /** Gives the letters a designator begins with, in upper case. */
  static Optional<String> prefix(String ref) {
    int end = 0;
    while (end < ref.length() && Character.isLetter(ref.charAt(end))) {
      end++;
    }
    return end == 0
        ? Optional.empty()
        : Optional.of(ref.substring(0, end).toUpperCase(Locale.ROOT));
  }
}
