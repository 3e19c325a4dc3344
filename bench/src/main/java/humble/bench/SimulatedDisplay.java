package humble.bench;

import humble.core.kit.Peripheral;
import humble.core.wake.DisplaySetting;
import humble.core.wake.Pose;
import java.util.Random;

/**
 * A simulated display: how its module was mounted and wired, whatever it is told.
 *
 * @param mounted what the module does to a picture that is sent plain
 */
record SimulatedDisplay(DisplaySetting mounted) {
  /** Columns and rows of the glass that the memory of such a module lies off by, at most. */
  private static final int MOST_OFF_X = 4;

  private static final int MOST_OFF_Y = 3;

  /** Draws one: never upright, often with its colours or its edges otherwise too. */
  static SimulatedDisplay drawn(Peripheral.Display display, Random turns, long seed) {
    Pose pose = Pose.all().get(1 + turns.nextInt(7));
    Random other = new Random(seed * 31 + display.id().hashCode());
    return new SimulatedDisplay(
        new DisplaySetting(
            pose,
            display.colour() && other.nextBoolean(),
            other.nextInt(3) == 0,
            other.nextInt(MOST_OFF_X),
            other.nextInt(MOST_OFF_Y)));
  }

  /** Gives how what is sent plain comes out under a setting. */
  DisplaySetting.Seen seen(DisplaySetting setting) {
    return new DisplaySetting.Seen(
        mounted.pose().after(setting.pose()),
        mounted.swapRedBlue() != setting.swapRedBlue(),
        mounted.invert() != setting.invert(),
        mounted.xOffsetPx() + setting.xOffsetPx(),
        mounted.yOffsetPx() + setting.yOffsetPx());
  }
}
