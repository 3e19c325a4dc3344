package humble.core.kit;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * What is known of a chip that takes a program, beside its memory.
 *
 * @param baud speed of its serial line, in bits a second; 57,600 where the kit says nothing
 * @param clockHz clock that its programs reckon with, null where the kit says nothing
 * @param identity what it says it is when asked, in hexadecimal; empty where the kit says nothing
 * @param config words that set the chip up, in the order of the kit
 * @param resetBy how its port resets it: {@code none}, {@code dtr}, {@code rts} or {@code
 *     rts-loader-dtr}
 */
public record ChipFacts(
    int baud, @Nullable Long clockHz, String identity, List<Word> config, String resetBy) {
  /** The speed where a kit says nothing. */
  public static final int USUAL_BAUD = 57_600;

  /** A hand presses reset. */
  public static final String NO_RESET = "none";

  /** The ways in which a port resets a chip. */
  public static final List<String> RESETS = List.of(NO_RESET, "dtr", "rts", "rts-loader-dtr");

  /** Nothing. */
  public static final ChipFacts UNKNOWN = new ChipFacts(USUAL_BAUD, null, "", List.of(), NO_RESET);

  public ChipFacts {
    config = List.copyOf(config);
  }

  /**
   * A word of the chip's set-up, which an image may bring.
   *
   * @param id name within the target
   * @param at address of its lowest byte
   * @param bytes 1 to 4, low byte first
   */
  public record Word(String id, long at, int bytes, List<Field> fields) {
    public Word {
      fields = List.copyOf(fields);
    }
  }

  /** Some bits of a word, and what they say: {@code says} and the value's words are a sentence. */
  public record Field(String id, long mask, String says, List<Value> values) {
    public Field {
      values = List.copyOf(values);
    }

    /** Gives the value that a word has in this field. */
    public Optional<Value> in(long word) {
      return values.stream().filter(value -> (word & mask) == value.is()).findFirst();
    }
  }

  /**
   * One value of a field.
   *
   * @param is the bits, within the field's mask
   * @param say what it means to whoever builds the kit
   * @param clock where the clock comes from with it, null where it says nothing of that
   * @param hz how fast that clock is, null where the value does not fix it
   * @param locksOut whether nobody gets in again after it was written
   */
  public record Value(
      long is, String say, @Nullable ClockFrom clock, @Nullable Long hz, boolean locksOut) {}

  /** Where a chip's clock comes from. */
  public enum ClockFrom {
    /** A crystal at its clock pins. */
    CRYSTAL,
    /** A part of the chip itself. */
    INSIDE;

    /** Gives the name used in kits. */
    public String text() {
      return name().toLowerCase(Locale.ROOT);
    }
  }
}
