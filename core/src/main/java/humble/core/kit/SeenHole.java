package humble.core.kit;

/**
 * A hole that was seen in a photo of a board.
 *
 * @param at its middle, in board millimetres from the top
 * @param diameterMm its width
 */
public record SeenHole(PointMm at, double diameterMm) {}
