package humble.core.route;

/**
 * A step that somebody moved by hand.
 *
 * @param step id of the step
 * @param before id of the step it now stands before; empty for the end
 */
public record Move(String step, String before) {}
