package humble.core.kit;

import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** How high a part is that lies on the board with its leads bent, instead of standing on them. */
final class LyingForm {
  private static final Pattern CAN = Pattern.compile("radial-(\\d+)x\\d+");

  private LyingForm() {}

  /**
   * Gives the height of a package that lies, in millimetres: what it measures across where it
   * stands. A package that is not known to lie keeps its height, which is never too little.
   */
  static double heightMm(PartPackage pack) {
    Matcher can = CAN.matcher(pack.id());
    if (can.matches()) {
      return Double.parseDouble(can.group(1));
    }
    double across =
        switch (pack.id()) {
          case "half-round-3" -> 3.9;
          case "tab-3-upright" -> 4.6;
          case "led-3" -> 3.8;
          case "led-5" -> 5.8;
          case "crystal-tall" -> 4.2;
          case "disc-2.5" -> 2.2;
          case "disc-5" -> 2.4;
          case "film-5" -> 2.5;
          case "bead" -> 3.4;
          default -> pack.heightMm();
        };
    return Math.min(across, pack.heightMm());
  }
}
