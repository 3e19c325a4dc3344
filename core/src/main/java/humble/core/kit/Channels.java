package humble.core.kit;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A table of channels beside a program.
 *
 * @param id name within the kit
 * @param file path relative to the kit, with a header row
 * @param title what it is called
 * @param key the column with the value of a channel
 * @param low least value, null where there is none
 * @param high most, null where there is none
 * @param step distance of the raster from {@code low} on, null where there is none
 * @param unique columns in which nothing stands twice
 * @param max most channels, 0 for no limit
 * @param nameMax most letters in the column {@code name}, 0 for no limit
 * @param rising whether every value is above the one before
 * @param transmits whether a transmitter is set by it
 */
public record Channels(
    String id,
    String file,
    String title,
    String key,
    @Nullable Double low,
    @Nullable Double high,
    @Nullable Double step,
    List<String> unique,
    int max,
    int nameMax,
    boolean rising,
    boolean transmits) {
  public Channels {
    unique = List.copyOf(unique);
  }
}
