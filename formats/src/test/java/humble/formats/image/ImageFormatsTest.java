package humble.formats.image;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import humble.core.firmware.ImageDiff;
import humble.core.firmware.ProgramImage;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class ImageFormatsTest {
  private static final List<String> EXACT = List.of("a.hex", "a.s28", "a.s37", "a.uf2");

  @TempDir Path folder = Path.of("");

  private static byte[] write(String name, ProgramImage image) {
    return ImageWriter.write(name, image, new ImageWriter.As(0xff, null)).orElseThrow();
  }

  private static ImageRead read(String name, byte[] bytes) {
    return ImageFile.read(name, bytes);
  }

  private static ImageRead.Image image(String name, byte[] bytes) {
    return switch (read(name, bytes)) {
      case ImageRead.Image image -> image;
      case ImageRead.Damaged damaged -> throw new AssertionError(damaged.findings().toString());
    };
  }

  private static ProgramImage random(Random random) {
    ProgramImage.Builder builder = new ProgramImage.Builder();
    for (int i = 0; i < 4; i++) {
      byte[] bytes = new byte[1 + random.nextInt(700)];
      random.nextBytes(bytes);
      builder.add(random.nextInt(0x20000), bytes);
    }
    return builder.build();
  }

  @Property(tries = 150)
  void whatIsWrittenReadsBackInEveryFormat(@ForAll long seed) {
    ProgramImage image = random(new Random(seed));
    for (String name : EXACT) {
      ImageRead.Image again = image(name, write(name, image));
      assertThat(ImageDiff.of(image, again.image())).as(name).isEmpty();
      assertThat(again.image().segments()).as(name).hasSameSizeAs(image.segments());
    }
    byte[] raw = write("a.bin", image);
    long from = image.segments().getFirst().from();
    ImageRead.Image back =
        (ImageRead.Image) ImageFile.read("a.bin", raw, new ImageFile.Known(from, null));
    assertThat(ImageDiff.of(image, back.image()))
        .allMatch(range -> range.kind() == ImageDiff.Kind.ONLY_B);
  }

  @Test
  void theEntryIsKeptWhereTheFormatCan() {
    ProgramImage image = new ProgramImage.Builder().add(0x8000, new byte[4]).entry(0x8002).build();
    assertThat(image("a.s19", write("a.s19", image)).image().entry()).isEqualTo(0x8002L);
    assertThat(image("a.s37", write("a.s37", image)).image().entry()).isEqualTo(0x8002L);
    assertThat(image("a.hex", write("a.hex", image)).image().entry()).isEqualTo(0x8002L);
    assertThat(image("a.uf2", write("a.uf2", image)).image().entry()).isNull();
  }

  @Test
  void anAddressThatAFormatCannotHoldIsRefused() {
    ProgramImage image = new ProgramImage.Builder().add(0xffff, new byte[2]).build();
    assertThatThrownBy(() -> write("a.s19", image)).hasMessageContaining("FFFF");
    assertThat(write("a.s28", image)).isNotEmpty();
    ProgramImage high = new ProgramImage.Builder().add(0x1_0000_0000L, new byte[2]).build();
    for (String name : EXACT) {
      assertThatThrownBy(() -> write(name, high)).isInstanceOf(IllegalArgumentException.class);
    }
    ProgramImage wide =
        new ProgramImage.Builder().add(0, new byte[1]).add(0xf000_0000L, new byte[1]).build();
    assertThatThrownBy(() -> write("a.bin", wide)).hasMessageContaining("bytes");
    assertThat(ImageWriter.write("a.txt", image, new ImageWriter.As(0, null))).isEmpty();
  }

  /** Every flipped bit is told with its line, or the image is the same. */
  @ParameterizedTest
  @ValueSource(strings = {"a.hex", "a.s19", "a.s28", "a.s37"})
  void everyFlippedBitIsToldOrHarmless(String name) {
    byte[] bytes = new byte[70];
    new Random(3).nextBytes(bytes);
    ProgramImage image = new ProgramImage.Builder().add(0x1ff0, bytes).build();
    byte[] good = write(name, image);
    int told = 0;
    for (int at = 0; at < good.length; at++) {
      for (int bit = 0; bit < 8; bit++) {
        byte[] bad = good.clone();
        bad[at] ^= (byte) (1 << bit);
        switch (ImageFile.read(name, bad)) {
          case ImageRead.Image read ->
              assertThat(read.remarks().isEmpty() && !ImageDiff.of(image, read.image()).isEmpty())
                  .as("bit %d of byte %d, '%c' to '%c'", bit, at, good[at], bad[at])
                  .isFalse();
          case ImageRead.Damaged damaged -> {
            told++;
            boolean recognised = at > 1;
            if (recognised) {
              long line = Arrays.stream(lines(good)).takeWhile(end -> end < at0(bad, good)).count();
              assertThat(damaged.findings().getFirst().where())
                  .as("bit %d of byte %d", bit, at)
                  .isIn(name + "#" + (line + 1), name + "#" + (line + 2), name + "#" + line);
            }
          }
        }
      }
    }
    assertThat(told).isGreaterThan(7 * good.length);
  }

  private static int at0(byte[] bad, byte[] good) {
    int at = 0;
    while (bad[at] == good[at]) {
      at++;
    }
    return at;
  }

  private static int[] lines(byte[] text) {
    int[] ends = new int[text.length];
    int n = 0;
    for (int i = 0; i < text.length; i++) {
      if (text[i] == '\n') {
        ends[n++] = i;
      }
    }
    return Arrays.copyOf(ends, n);
  }

  @Test
  void aCutFileSaysSoInEveryFormat() {
    ProgramImage image = new ProgramImage.Builder().add(0x100, new byte[1000]).build();
    for (String name : EXACT) {
      byte[] whole = write(name, image);
      for (int length : new int[] {whole.length - 3, whole.length / 2, 600}) {
        assertThat(read(name, Arrays.copyOf(whole, length)))
            .as("%s of %d bytes", name, length)
            .isInstanceOf(ImageRead.Damaged.class);
      }
    }
    // Whole blocks of which some are gone.
    byte[] uf2 = write("a.uf2", image);
    assertThat(read("a.uf2", Arrays.copyOf(uf2, 2 * Uf2.BLOCK)))
        .isInstanceOfSatisfying(
            ImageRead.Damaged.class,
            damaged ->
                assertThat(damaged.findings().getFirst().toString()).contains("Block 2 of 4"));
  }

  @Test
  void recordsThatAreNoneAreTold() {
    assertThat(List.of("S4030000FC\n", "S1\n", "SX\n", "S10400000102F7\nS9030000FC\n"))
        .allSatisfy(text -> {
          byte[] bytes = text.getBytes(StandardCharsets.US_ASCII);
          assertThat(ImageFile.read("a.s19", bytes)).isInstanceOf(ImageRead.Damaged.class);
        });
    byte[] miscounted =
        "S1040000AA51\nS5030002FA\nS9030000FC\n".getBytes(StandardCharsets.US_ASCII);
    assertThat(ImageFile.read("a.s19", miscounted).toString()).contains("counts 2");
    byte[] after = "S1040000AA51\nS9030000FC\nS1040001AA50\n".getBytes(StandardCharsets.US_ASCII);
    assertThat(ImageFile.read("a.s19", after).toString()).contains("after the end");
  }

  /** The digit that says the width of an address is in no checksum. */
  @Test
  void aRecordOfAnotherWidthIsAMistakeUnlessWidthsRise() {
    byte[] bytes = write("a.s37", new ProgramImage.Builder().add(0x1ff0, new byte[70]).build());
    String[] lines = new String(bytes, StandardCharsets.US_ASCII).split("\n");
    lines[2] = "S2" + lines[2].substring(2);
    byte[] flipped = (String.join("\n", lines) + "\n").getBytes(StandardCharsets.US_ASCII);
    assertThat(read("a.s37", flipped))
        .isInstanceOfSatisfying(
            ImageRead.Damaged.class,
            damaged ->
                assertThat(damaged.findings())
                    .singleElement()
                    .satisfies(finding -> {
                      assertThat(finding.where()).isEqualTo("a.s37#3");
                      assertThat(finding.toString()).contains("another width");
                    }));
    byte[] rising =
        "S104FFFFAA53\nS20501000011E8\nS5030002FA\n".getBytes(StandardCharsets.US_ASCII);
    assertThat(image("a.srec", rising).remarks()).singleElement().asString().contains("line 2");
  }

  private static byte[] block(int number, int count, @Nullable Long family, int flags, long at) {
    ByteBuffer block = ByteBuffer.allocate(512).order(ByteOrder.LITTLE_ENDIAN);
    block.putInt(0, 0x0A324655).putInt(4, 0x9E5D5157).putInt(508, 0x0AB16F30);
    block.putInt(8, flags | (family == null ? 0 : 0x2000)).putInt(12, (int) at).putInt(16, 4);
    block.putInt(20, number).putInt(24, count).putInt(28, family == null ? 0 : family.intValue());
    block.putInt(32, number + 1);
    return block.array();
  }

  private static byte[] together(byte[]... blocks) {
    ByteBuffer all = ByteBuffer.allocate(512 * blocks.length);
    Arrays.stream(blocks).forEach(all::put);
    return all.array();
  }

  @Test
  void ofSeveralFamiliesTheWantedOneCounts() {
    byte[] file = together(block(0, 1, 7L, 0, 0x100), block(0, 1, 9L, 0, 0x100));
    ImageRead.Image of9 =
        (ImageRead.Image) ImageFile.read("a.uf2", file, new ImageFile.Known(null, 9L));
    assertThat(of9.families()).containsExactly(7L, 9L);
    assertThat(of9.image().overlaps()).isEmpty();
    assertThat(of9.remarks()).singleElement().asString().contains("another family");
    assertThat(image("a.uf2", file).image().overlaps()).isNotEmpty();
  }

  @Test
  void blocksThatAreNotForTheMainMemoryAreLeftOutAndSaid() {
    ImageRead.Image read =
        image("a.uf2", together(block(0, 2, null, 1, 0x900), block(1, 2, null, 0, 0x100)));
    assertThat(read.image().segments())
        .singleElement()
        .satisfies(run -> assertThat(run.from()).isEqualTo(0x100));
    assertThat(read.remarks()).singleElement().asString().contains("not for the main memory");
  }

  /** An ELF of one segment, by hand, in either byte order. */
  private static byte[] elf(ByteOrder order, long address, byte[] content, int offset) {
    ByteBuffer file = ByteBuffer.allocate(52 + 32 + content.length).order(order);
    file.put(new byte[] {0x7f, 'E', 'L', 'F', 1});
    file.put((byte) (order == ByteOrder.LITTLE_ENDIAN ? 1 : 2)).put((byte) 1);
    file.putShort(16, (short) 2)
        .putShort(18, (short) 8)
        .putInt(20, 1)
        .putInt(24, (int) address + 2);
    file.putInt(28, 52).putShort(40, (short) 52).putShort(42, (short) 32).putShort(44, (short) 1);
    file.putShort(46, (short) 40);
    file.putInt(52, 1).putInt(56, offset).putInt(60, 0x20000000).putInt(64, (int) address);
    file.putInt(68, content.length).putInt(72, content.length + 100).putInt(76, 5).putInt(80, 4);
    file.position(84);
    file.put(content);
    return file.array();
  }

  @Test
  void anElfIsItsSegmentsAtTheirPhysicalAddresses() {
    for (ByteOrder order : List.of(ByteOrder.LITTLE_ENDIAN, ByteOrder.BIG_ENDIAN)) {
      ImageRead.Image read = image("a.elf", elf(order, 0x8001000, new byte[] {1, 2, 3, 4, 5}, 84));
      assertThat(read.format()).isEqualTo("elf32");
      assertThat(read.image().segments())
          .singleElement()
          .satisfies(run -> {
            assertThat(run.from()).isEqualTo(0x8001000);
            assertThat(run.bytes()).containsExactly(1, 2, 3, 4, 5);
          });
      assertThat(read.image().entry()).isEqualTo(0x8001002L);
    }
  }

  @Test
  void aBrokenElfSaysWhatIsWrong() {
    byte[] good = elf(ByteOrder.LITTLE_ENDIAN, 0x1000, new byte[] {1, 2, 3}, 84);
    assertThat(read("a.elf", Arrays.copyOf(good, good.length - 1)).toString()).contains("cut off");
    assertThat(read("a.elf", Arrays.copyOf(good, 30)).toString()).contains("cut off");
    byte[] wide = good.clone();
    wide[4] = 2;
    assertThat(read("a.elf", wide).toString()).contains("64 bits");
    byte[] loose = good.clone();
    loose[44] = 0;
    assertThat(read("a.elf", loose).toString()).contains("not linked");
    Random random = new Random(9);
    for (int i = 0; i < 5_000; i++) {
      byte[] bad = good.clone();
      for (int k = 0; k <= i % 4; k++) {
        bad[random.nextInt(bad.length)] = (byte) random.nextInt();
      }
      assertThat(read("a.elf", bad)).isNotNull();
    }
  }

  @Test
  void whatIsNoImageNeedsAnAddress() {
    byte[] bytes = {1, 2, 3};
    assertThat(read("a.dat", bytes).toString()).contains("address of its first byte");
    assertThat(image("a.bin", bytes).image().segments().getFirst().from()).isZero();
    ImageRead.Image based =
        (ImageRead.Image) ImageFile.read("a.dat", bytes, new ImageFile.Known(0x4000L, null));
    assertThat(based.format()).isEqualTo("raw");
    assertThat(based.image().segments().getFirst().from()).isEqualTo(0x4000);
    assertThat(ImageFile.read("a.dat", bytes, new ImageFile.Known(0xffff_fffeL, null)))
        .isInstanceOf(ImageRead.Damaged.class);
  }

  private static boolean has(String tool) {
    return Arrays.stream(System.getenv("PATH").split(":"))
        .anyMatch(p -> Files.isExecutable(Path.of(p, tool)));
  }

  private static String run(String... command) throws IOException, InterruptedException {
    Process process = new ProcessBuilder(command).redirectErrorStream(true).start();
    String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    assertThat(process.waitFor(30, TimeUnit.SECONDS)).isTrue();
    assertThat(process.exitValue()).as(said).isZero();
    return said;
  }

  @Test
  void outsideToolsReadWhatIsWrittenAndTheOtherWayRound() throws IOException, InterruptedException {
    assumeTrue(has("srec_cat") && has("objcopy"), "the launcher installs them where it can");
    ProgramImage image = random(new Random(11));
    for (String ending : List.of(".hex", ".s28", ".s37")) {
      String type = ending.equals(".hex") ? "-intel" : "-motorola";
      Path ours = folder.resolve("ours" + ending);
      Path theirs = folder.resolve("theirs" + ending);
      Files.write(ours, write("a" + ending, image));
      run("srec_cat", ours.toString(), type, "-o", theirs.toString(), type);
      ImageRead.Image back = image("theirs" + ending, Files.readAllBytes(theirs));
      assertThat(ImageDiff.of(image, back.image())).as(ending).isEmpty();

      Path copied = folder.resolve("copied" + ending);
      run(
          "objcopy",
          "-I",
          ending.equals(".hex") ? "ihex" : "srec",
          "-O",
          ending.equals(".hex") ? "srec" : "ihex",
          ours.toString(),
          copied.toString());
      ImageRead.Image other = image("copied", Files.readAllBytes(copied));
      assertThat(ImageDiff.of(image, other.image())).as("by objcopy, " + ending).isEmpty();
    }
  }

  @Test
  void aLinkedFileHoldsWhatAnOutsideToolTakesOutOfIt() throws IOException, InterruptedException {
    assumeTrue(has("as") && has("ld") && has("objcopy"), "the launcher installs them where it can");
    Path source = folder.resolve("a.s");
    Files.writeString(
        source,
        ".text\n.globl _start\n_start: .byte 1,2,3,4,5\n.data\n.byte 9,8,7\n.bss\n.space 40\n");
    Path object = folder.resolve("a.o");
    Path linked = folder.resolve("a.elf");
    Path records = folder.resolve("a.srec");
    run("as", "--32", source.toString(), "-o", object.toString());
    run(
        "ld",
        "-N",
        "-m",
        "elf_i386",
        "-Ttext",
        "0x8000",
        "-Tdata",
        "0x9000",
        object.toString(),
        "-o",
        linked.toString());
    run(
        "objcopy",
        "-O",
        "srec",
        "-j",
        ".text",
        "-j",
        ".data",
        linked.toString(),
        records.toString());
    ImageRead.Image ours = image("a.elf", Files.readAllBytes(linked));
    ImageRead.Image theirs = image("a.srec", Files.readAllBytes(records));
    assertThat(ImageDiff.of(theirs.image(), ours.image()))
        .as("all that it takes out is there")
        .allMatch(range -> range.kind() == ImageDiff.Kind.ONLY_B);
    assertThat(ours.image().at(0x8004)).hasValue(5);
    assertThat(ours.image().entry()).isEqualTo(0x8000L);
  }
}
