package humble.core.wake;

/**
 * One of the eight ways a picture can lie: mirrored left to right first, then turned
 * counter-clockwise.
 *
 * @param rotateDeg 0, 90, 180 or 270
 * @param mirror whether it is mirrored
 */
public record Pose(int rotateDeg, boolean mirror) {
  /** The picture as sent. */
  public static final Pose UPRIGHT = new Pose(0, false);

  public Pose {
    if (rotateDeg % 90 != 0) {
      throw new IllegalArgumentException(
          "a picture turns by quarter turns, not by " + rotateDeg + " degrees");
    }
    rotateDeg = ((rotateDeg % 360) + 360) % 360;
  }

  /** Gives what comes of doing {@code first}, then this: R(a)M(m)·R(b)M(n) = R(a ± b)M(m + n). */
  public Pose after(Pose first) {
    int turn = rotateDeg + (mirror ? -first.rotateDeg : first.rotateDeg);
    return new Pose(turn, mirror != first.mirror);
  }

  /** Gives the pose that undoes this one. */
  public Pose inverse() {
    return mirror ? this : new Pose(-rotateDeg, false);
  }

  /** Gives the eight poses: four turns as sent, then four mirrored. */
  public static java.util.List<Pose> all() {
    return java.util.stream.IntStream.range(0, 8)
        .mapToObj(i -> new Pose(i % 4 * 90, i >= 4))
        .toList();
  }
}
