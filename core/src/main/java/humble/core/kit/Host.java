package humble.core.kit;

/**
 * A board that a conversion goes into, and what must be printed on it for this kit to fit.
 *
 * @param name what the board is called
 * @param mustShow number as printed on the right board
 * @param where where on the board it is printed, or empty
 */
public record Host(String name, String mustShow, String where) {}
