package humble.core.kit;

import java.math.BigInteger;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The natural order of reference designators: {@code R2} before {@code R10}. */
public final class RefOrder {
  private static final Pattern RUN = Pattern.compile("\\d+|\\D+");

  private static final Pattern NUMBERED = Pattern.compile("(.*?)(\\d+)");

  /** Compares by runs of digits and of other characters. */
  public static final Comparator<String> NATURAL = RefOrder::compare;

  private RefOrder() {}

  /**
   * Gives designators in natural order as one line, three or more that follow each other as a run:
   * {@code C1, R1–R9}.
   */
  public static String listed(Collection<String> refs) {
    List<String> sorted = refs.stream().sorted(NATURAL).toList();
    List<String> words = new ArrayList<>();
    int from = 0;
    for (int i = 1; i <= sorted.size(); i++) {
      if (i == sorted.size() || !isNext(sorted.get(i - 1), sorted.get(i))) {
        int run = i - from;
        if (run > 2) {
          words.add(sorted.get(from) + "–" + sorted.get(i - 1));
        } else {
          words.addAll(sorted.subList(from, i));
        }
        from = i;
      }
    }
    return String.join(", ", words);
  }

  private static boolean isNext(String a, String b) {
    Matcher one = NUMBERED.matcher(a);
    Matcher other = NUMBERED.matcher(b);
    return one.matches()
        && other.matches()
        && one.group(1).equals(other.group(1))
        && new BigInteger(one.group(2)).add(BigInteger.ONE).equals(new BigInteger(other.group(2)));
  }

  private static int compare(String a, String b) {
    Matcher left = RUN.matcher(a);
    Matcher right = RUN.matcher(b);
    while (true) {
      boolean more = left.find();
      if (!right.find()) {
        return more ? 1 : a.compareTo(b);
      }
      if (!more) {
        return -1;
      }
      int order = compareRuns(left.group(), right.group());
      if (order != 0) {
        return order;
      }
    }
  }

  private static int compareRuns(String a, String b) {
    boolean numbers = isDigit(a) && isDigit(b);
    return numbers ? new BigInteger(a).compareTo(new BigInteger(b)) : a.compareTo(b);
  }

  private static boolean isDigit(String run) {
    return run.charAt(0) >= '0' && run.charAt(0) <= '9';
  }
}
