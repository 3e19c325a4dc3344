package humble.core.firmware;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ImageEditTest {
  private static final int SPACE = 120;

  /** A random image in a small space, so that two of them meet often. */
  private static ProgramImage image(Random random) {
    ProgramImage.Builder image = new ProgramImage.Builder();
    for (int i = random.nextInt(5); i > 0; i--) {
      byte[] bytes = new byte[1 + random.nextInt(20)];
      for (int k = 0; k < bytes.length; k++) {
        bytes[k] = (byte) random.nextInt(3);
      }
      image.add(random.nextInt(SPACE), bytes);
    }
    return image.build();
  }

  private static Map<Long, Integer> bytes(ProgramImage image) {
    Map<Long, Integer> all = new TreeMap<>();
    for (long at = 0; at < 2 * SPACE; at++) {
      int each = image.at(at).orElse(-1);
      if (each >= 0) {
        all.put(at, each);
      }
    }
    return all;
  }

  @Property(tries = 400)
  void whatDiffersIsWhatDiffersByteByByte(@ForAll long seed) {
    Random random = new Random(seed);
    ProgramImage a = image(random);
    ProgramImage b = image(random);
    Map<Long, String> told = new TreeMap<>();
    for (ImageDiff.Range range : ImageDiff.of(a, b)) {
      for (long at = range.from(); at <= range.to(); at++) {
        assertThat(told.put(at, range.kind().text())).as("told once").isNull();
      }
    }
    Map<Long, String> is = new TreeMap<>();
    Map<Long, Integer> inA = bytes(a);
    Map<Long, Integer> inB = bytes(b);
    inA.forEach((at, value) -> {
      if (!inB.containsKey(at)) {
        is.put(at, "only-a");
      } else if (!inB.get(at).equals(value)) {
        is.put(at, "differ");
      }
    });
    inB.keySet().stream().filter(at -> !inA.containsKey(at)).forEach(at -> is.put(at, "only-b"));
    assertThat(told).isEqualTo(is);
  }

  @Property(tries = 400)
  void twoImagesAreOneUnlessTheyDiffer(@ForAll long seed) throws ImageEdit.Clash {
    Random random = new Random(seed);
    ProgramImage a = image(random);
    ProgramImage b = image(random);
    boolean clash =
        ImageDiff.of(a, b).stream().anyMatch(range -> range.kind() == ImageDiff.Kind.DIFFER);
    if (clash) {
      assertThatThrownBy(() -> ImageEdit.merge(a, b)).isInstanceOf(ImageEdit.Clash.class);
    } else {
      Map<Long, Integer> both = bytes(a);
      both.putAll(bytes(b));
      ProgramImage merged = ImageEdit.merge(a, b);
      assertThat(bytes(merged)).isEqualTo(both);
      assertThat(merged.overlaps()).isEmpty();
    }
  }

  @Property(tries = 300)
  void aPieceAndAPatchAreWhatTheySay(@ForAll long seed) {
    Random random = new Random(seed);
    ProgramImage image = image(random);
    long from = random.nextInt(SPACE);
    long to = from + random.nextInt(40);
    Map<Long, Integer> within = bytes(image);
    within.keySet().removeIf(at -> at < from || at > to);
    assertThat(bytes(ImageEdit.cut(image, from, to))).isEqualTo(within);

    byte[] patch = new byte[1 + random.nextInt(9)];
    random.nextBytes(patch);
    Map<Long, Integer> patched = bytes(image);
    for (int i = 0; i < patch.length; i++) {
      patched.put(from + i, patch[i] & 0xff);
    }
    assertThat(bytes(ImageEdit.patch(image, from, patch))).isEqualTo(patched);
  }

  @Test
  void theEntryStaysWhereItIsInThePiece() {
    ProgramImage image = new ProgramImage.Builder().add(0x100, new byte[16]).entry(0x104).build();
    assertThat(ImageEdit.cut(image, 0x100, 0x104).entry()).isEqualTo(0x104L);
    assertThat(ImageEdit.cut(image, 0x100, 0x103).entry()).isNull();
    assertThat(ImageEdit.patch(image, 0x200, new byte[1]).entry()).isEqualTo(0x104L);
  }

  /** Published check values: each number over the nine digits 123456789. */
  @ParameterizedTest
  @CsvSource({
    "crc32, cbf43926",
    "crc32c, e3069283",
    "crc16-arc, bb3d",
    "crc16-kermit, 2189",
    "crc16-modbus, 4b37",
    "crc16-usb, b4c8",
    "crc16-xmodem, 31c3"
  })
  void checkNumbersAreThePublishedOnes(String name, String value) {
    byte[] digits = "123456789".getBytes(StandardCharsets.US_ASCII);
    Crc crc = Crc.named(name).orElseThrow();
    assertThat(crc.of(digits)).isEqualTo(Long.parseLong(value, 16));
    byte[] low = crc.stored(digits, true);
    byte[] high = crc.stored(digits, false);
    assertThat(low).hasSize(value.length() / 2);
    assertThat(high[0] & 0xff).isEqualTo(Integer.parseInt(value.substring(0, 2), 16));
    assertThat(low[low.length - 1]).isEqualTo(high[0]);
    assertThat(Arrays.stream(Crc.values()).map(Crc::text)).contains(name);
  }
}
