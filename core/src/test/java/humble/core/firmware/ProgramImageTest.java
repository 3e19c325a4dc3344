package humble.core.firmware;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.kit.Firmware;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;

class ProgramImageTest {
  private static final Firmware.Target TARGET =
      new Firmware.Target(
          "main",
          "U1",
          List.of(new Firmware.Region("flash", 0, 0x7fff)),
          List.of(new Firmware.Region("boot", 0x7e00, 0x7fff)),
          128,
          0xff,
          0L,
          null,
          List.of("page"));

  private static ProgramImage image(long at, int... bytes) {
    byte[] data = new byte[bytes.length];
    for (int i = 0; i < bytes.length; i++) {
      data[i] = (byte) bytes[i];
    }
    return new ProgramImage.Builder().add(at, data).build();
  }

  @Test
  void touchingRecordsAreOneSegmentInAnyOrder() {
    ProgramImage image =
        new ProgramImage.Builder()
            .add(0x110, new byte[] {3, 4})
            .add(0x100, new byte[16])
            .add(0x200, new byte[] {9})
            .build();
    assertThat(image.segments())
        .extracting(ProgramImage.Segment::from)
        .containsExactly(0x100L, 0x200L);
    assertThat(image.segments().getFirst().to()).isEqualTo(0x111);
    assertThat(image.length()).isEqualTo(19);
    assertThat(image.at(0x111)).hasValue(4);
    assertThat(image.at(0x112)).isEmpty();
  }

  @Test
  void theCheckSumsAreTheStandardOnes() {
    ProgramImage image =
        new ProgramImage.Builder().add(0, "123456789".getBytes(StandardCharsets.US_ASCII)).build();
    assertThat(image.crc32()).isEqualTo(0xcbf43926L);
    assertThat(image.sha256())
        .isEqualTo("15e2b0d3c33891ebb0f1ef609ec419420c20e320ce94c65fbc8c3312448eb225");
  }

  @Test
  void blankIsNothingOrNothingButOnes() {
    assertThat(new ProgramImage.Builder().build().blank()).isTrue();
    assertThat(image(0, 0xff, 0xff).blank()).isTrue();
    assertThat(image(0, 0xff, 0xfe).blank()).isFalse();
  }

  /** Random overlapping records against a plain map of bytes. */
  @Property
  void laterRecordsWinAndOverlapsAreKept(@ForAll long seed) {
    Random random = new Random(seed);
    ProgramImage.Builder builder = new ProgramImage.Builder();
    TreeMap<Long, Byte> model = new TreeMap<>();
    boolean overlapping = false;
    for (int i = 0; i < 12; i++) {
      long from = random.nextInt(64);
      byte[] bytes = new byte[random.nextInt(9)];
      random.nextBytes(bytes);
      builder.add(from, bytes);
      for (int k = 0; k < bytes.length; k++) {
        overlapping |= model.put(from + k, bytes[k]) != null;
      }
    }
    ProgramImage image = builder.build();
    assertThat(image.length()).isEqualTo(model.size());
    for (Map.Entry<Long, Byte> each : model.entrySet()) {
      assertThat(image.at(each.getKey())).hasValue(each.getValue() & 0xff);
    }
    assertThat(image.overlaps().isEmpty()).isEqualTo(!overlapping);
    for (int i = 1; i < image.segments().size(); i++) {
      assertThat(image.segments().get(i).from())
          .isGreaterThan(image.segments().get(i - 1).to() + 1);
    }
  }

  @Test
  void whatDoesNotFitIsSaidPieceByPiece() {
    ProgramImage image =
        new ProgramImage.Builder().add(0x7df0, new byte[32]).add(0x8000, new byte[] {1, 2}).build();
    assertThat(ImageCheck.of(image, TARGET))
        .extracting(problem -> problem.kind().text())
        .containsExactly("boot", "outside", "vector");
    assertThat(ImageCheck.of(image, TARGET).getFirst().from()).isEqualTo(0x7e00);
    assertThat(ImageCheck.of(image, TARGET).getFirst().to()).isEqualTo(0x7e0f);
    assertThat(ImageCheck.of(image(0, 1, 2, 3), TARGET)).isEmpty();
  }

  @Test
  void aBlankImageDoesNothingAndSaysSo() {
    byte[] ones = new byte[64];
    Arrays.fill(ones, (byte) 0xff);
    assertThat(ImageCheck.of(new ProgramImage.Builder().add(0, ones).build(), TARGET))
        .extracting(problem -> problem.kind().text())
        .containsExactly("blank");
  }

  @Test
  void bytesDefinedTwiceAreAFinding() {
    ProgramImage image =
        new ProgramImage.Builder().add(0, new byte[] {1, 2, 3}).add(2, new byte[] {9, 9}).build();
    assertThat(ImageCheck.of(image, TARGET))
        .singleElement()
        .satisfies(p -> {
          assertThat(p.kind()).isEqualTo(ImageProblem.Kind.OVERLAP);
          assertThat(p.from()).isEqualTo(2);
          assertThat(p.to()).isEqualTo(2);
        });
  }
}
