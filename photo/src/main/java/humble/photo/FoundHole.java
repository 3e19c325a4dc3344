package humble.photo;

import humble.core.kit.PointMm;

/** A hole that was seen: its middle in board millimetres, and its width. */
public record FoundHole(PointMm at, double diameterMm) {}
