package humble.core.casing;

/**
 * A part against the part of a facing board that comes nearest to it; lengths in millimetres.
 *
 * @param ref part of the board that lies nearer to the front
 * @param other part of the board behind it
 * @param tails whether it is the ends of the first one's leads that come near
 * @param otherTails whether it is the ends of the other one's leads
 * @param roomMm how far apart the two boards are at least
 * @param needsMm how far apart they would have to be
 */
public record Facing(
    String ref,
    boolean tails,
    String other,
    boolean otherTails,
    double roomMm,
    double needsMm,
    boolean ok) {}
