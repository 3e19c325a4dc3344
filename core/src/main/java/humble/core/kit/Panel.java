package humble.core.kit;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * The front panel of a machine that programs are toggled in at. All lists begin with bit 0.
 *
 * @param processor the part that runs what is toggled in
 * @param memory the part that keeps it
 * @param switches the switches of a byte or an address, closed for 1
 * @param data the lights that show a byte
 * @param address the lights that show an address
 * @param dataLines the nets of the data between memory and processor
 * @param addressLines the nets of the address
 * @param keys the switches or buttons that are pressed together for each key; none for one that is
 *     done by letting go
 * @param language the page that says what its bytes mean; empty where nothing can run them here
 */
public record Panel(
    String processor,
    String memory,
    List<String> switches,
    List<String> data,
    List<String> address,
    List<String> dataLines,
    List<String> addressLines,
    Map<Key, List<String>> keys,
    String language) {
  /** The one language that the practice bench can run, that of {@code docs/processor.md}. */
  public static final String LOCK = "lock-8";

  /** How many bits a byte has. */
  public static final int BITS = 8;

  public Panel {
    switches = List.copyOf(switches);
    data = List.copyOf(data);
    address = List.copyOf(address);
    dataLines = List.copyOf(dataLines);
    addressLines = List.copyOf(addressLines);
    keys = Map.copyOf(keys);
  }

  /** What a key of the panel does. */
  public enum Key {
    EXAMINE,
    EXAMINE_NEXT,
    DEPOSIT,
    DEPOSIT_NEXT,
    RUN,
    STOP,
    SINGLE_STEP,
    RESET;

    /** Gives the name used in kits. */
    public String text() {
      return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** Gives the one of that name. */
    public static Optional<Key> named(String name) {
      return Arrays.stream(values()).filter(each -> each.text().equals(name)).findFirst();
    }
  }

  /** Gives what is pressed together for a key. */
  public List<String> pressed(Key key) {
    return keys.getOrDefault(key, List.of());
  }
}
