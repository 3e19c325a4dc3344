package humble.core.kit;

import org.jspecify.annotations.Nullable;

/**
 * The aged part in whose place another goes, as it sits on the host board. What nobody measured or
 * read off it is null.
 *
 * @param value its value as printed, or empty
 * @param ratings what it bears
 * @param diameterMm how wide its body is, in millimetres
 * @param heightMm how high it stands, in millimetres
 * @param pitchMm how far its holes are apart, in millimetres
 * @param unpolarised whether it may be turned round
 */
public record Aged(
    String value,
    Ratings ratings,
    @Nullable Double diameterMm,
    @Nullable Double heightMm,
    @Nullable Double pitchMm,
    boolean unpolarised) {}
