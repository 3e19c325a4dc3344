package humble.core.route;

import humble.core.kit.Mount;
import humble.core.kit.Part;

/**
 * The minutes a step takes before anybody's own pace is known: seconds a joint by lead, seconds a
 * part by mount.
 */
final class Minutes {
  static final double INSERT = 1.5;
  static final double GATE = 3;
  static final double TURN = 0.3;

  private Minutes() {}

  static double fitting(Part part, int pieces, int joints) {
    double joint =
        switch (part.pack().lead()) {
          case THIN -> 14;
          case PIN -> 11;
          case TAB -> 25;
          case SMD -> 18;
        };
    Mount mount = part.placed().map(place -> place.mount()).orElse(Mount.FLUSH);
    double handling =
        switch (mount) {
          case FLUSH -> 18;
          case RAISED, PROUD, UPRIGHT -> 26;
          case LYING, FAR_SIDE -> 32;
          case SOCKETED -> 0;
        };
    return (joint * joints + handling * pieces) / 60;
  }
}
