package humble.desktop.hand;

import java.util.function.Supplier;

/**
 * Whose turn it is.
 *
 * @param name what it is about; equal names are the same hand
 * @param hand makes the hand when it comes to it
 */
public record Turn(Object name, Supplier<Hand> hand) {}
