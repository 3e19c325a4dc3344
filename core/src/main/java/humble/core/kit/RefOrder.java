package humble.core.kit;

import java.math.BigInteger;
import java.util.Comparator;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The natural order of reference designators: {@code R2} before {@code R10}. */
public final class RefOrder {
  private static final Pattern RUN = Pattern.compile("\\d+|\\D+");

  /** Compares by runs of digits and of other characters. */
  public static final Comparator<String> NATURAL = RefOrder::compare;

  private RefOrder() {}

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
