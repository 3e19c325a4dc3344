package humble.core.kit;

/**
 * The copper round a lead where a kit says nothing of it: what its pictures, its board files and
 * its gaps are reckoned with. The usual sizes of kit boards with 2.54 mm pitch.
 */
public final class PadSize {
  /** Pad of a lead through a hole, in millimetres across. */
  public static final double THROUGH_MM = 1.6;

  /** Pad of a part on the surface, in millimetres across. */
  public static final double FLAT_MM = 1.2;

  /** Hole of a lead, in millimetres across. */
  public static final double HOLE_MM = 0.9;

  private PadSize() {}

  /** Gives the size of the pads of a part, in millimetres across. */
  public static double acrossMm(PartPackage pack) {
    return pack.lead() == LeadClass.SMD ? FLAT_MM : THROUGH_MM;
  }
}
