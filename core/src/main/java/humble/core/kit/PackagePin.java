package humble.core.kit;

/**
 * One pin of a package in its zero orientation, seen from above.
 *
 * @param number pin number as printed in data sheets
 * @param at place of its pad, from the middle of the pattern
 */
public record PackagePin(String number, PointMm at) {}
