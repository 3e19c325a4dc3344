package humble.core.firmware;

/**
 * Something that stands against loading an image.
 *
 * @param kind {@code outside}, {@code boot}, {@code blank}, {@code vector}, {@code family} or
 *     {@code overlap}
 * @param from first address, included
 * @param to last address, included
 * @param text one plain sentence
 */
public record ImageProblem(String kind, long from, long to, String text) {}
