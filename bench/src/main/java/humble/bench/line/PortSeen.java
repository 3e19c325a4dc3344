package humble.bench.line;

/**
 * A serial port that is there.
 *
 * @param name name to open it by
 * @param says what the system says of it, in words
 * @param fresh whether it came after the first look, less than a minute ago
 */
public record PortSeen(String name, String says, boolean fresh) {}
