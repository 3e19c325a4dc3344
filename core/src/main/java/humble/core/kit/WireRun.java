package humble.core.kit;

/**
 * A wire from one point to another.
 *
 * @param id name within the kit
 * @param colour colour of its insulation as the kit supplies it, or empty
 * @param from a pin {@code REF.PIN}, or a point in words where it is on no board of the kit
 * @param to the other end, likewise
 * @param task task in which it is joined, or empty
 * @param lengthMm length to cut, 0 when it does not matter
 */
public record WireRun(
    String id, String colour, String from, String to, String task, double lengthMm) {}
