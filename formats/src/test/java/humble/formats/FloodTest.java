package humble.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import humble.core.budget.Budget;
import humble.core.firmware.ProgramImage;
import humble.core.kit.Finding;
import humble.formats.board.DrillFile;
import humble.formats.board.Gerber;
import humble.formats.board.Netlist;
import humble.formats.image.ImageRead;
import humble.formats.image.IntelHex;
import humble.formats.kit.KitFolder;
import humble.formats.kit.KitRead;
import humble.formats.table.PartsTable;
import humble.formats.table.TableText;
import java.io.IOException;
import java.io.OutputStream;
import java.io.RandomAccessFile;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import java.util.concurrent.TimeUnit;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.io.TempDir;

/**
 * Inputs that were made to fill the memory or to take all day: each ends with one sentence. The
 * heap of these tests is 256 MiB.
 */
@Timeout(value = 60, unit = TimeUnit.SECONDS)
class FloodTest {
  private static final String HEAD = "%FSLAX46Y46*%%MOMM*%";

  @TempDir Path folder;

  private static byte[] ascii(CharSequence text) {
    return text.toString().getBytes(StandardCharsets.ISO_8859_1);
  }

  @Test
  void theHeapOfTheseTestsIsSmall() {
    assertThat(Runtime.getRuntime().maxMemory()).isLessThanOrEqualTo(256L << 20);
  }

  @Test
  void anArchiveWhoseKitFileUnpacksTo250MegabytesIsRefusedUnread() throws IOException {
    Path zip = folder.resolve("large.hckit");
    byte[] blanks = " ".repeat(1 << 20).getBytes(StandardCharsets.US_ASCII);
    try (ZipOutputStream out = new ZipOutputStream(Files.newOutputStream(zip))) {
      out.putNextEntry(new ZipEntry("kit.json"));
      for (int i = 0; i < 250; i++) {
        out.write(blanks);
      }
      out.closeEntry();
    }
    assertThat(Files.size(zip)).isLessThan(1 << 20);
    assertThat(KitFolder.at(zip).read())
        .isInstanceOfSatisfying(
            KitRead.Refused.class,
            refused ->
                assertThat(refused.findings())
                    .singleElement()
                    .asString()
                    .contains("more than 8 MiB"));
  }

  @Test
  void anArchiveThatLiesAboutASizeIsNotUnpackedFurther() throws IOException {
    Path zip = folder.resolve("lies.hckit");
    try (ZipOutputStream out = new ZipOutputStream(Files.newOutputStream(zip))) {
      out.putNextEntry(new ZipEntry("kit.json"));
      out.write(new byte[100_000]);
      out.closeEntry();
    }
    byte[] bytes = Files.readAllBytes(zip);
    String text = new String(bytes, StandardCharsets.ISO_8859_1);
    int central = text.lastIndexOf("PK\u0001\u0002");
    // The unpacked size in the table of contents: ten bytes instead of 100,000.
    bytes[central + 24] = 10;
    bytes[central + 25] = 0;
    bytes[central + 26] = 0;
    Files.write(zip, bytes);
    assertThat(KitFolder.at(zip).read()).isInstanceOf(KitRead.Refused.class);
  }

  @Test
  void aLargeFileNamed1800TimesIsReadOnce() throws IOException {
    StringBuilder roles = new StringBuilder();
    for (int i = 0; i < 1800; i++) {
      roles.append(i == 0 ? "" : ",").append("\"role").append(i).append("\":\"large.gbr\"");
    }
    Files.writeString(
        folder.resolve("kit.json"),
        "{\"format\":\"humble-kit/1\",\"id\":\"many\",\"name\":\"Many\",\"boards\":[{\"id\":\"main\","
            + "\"width_mm\":50,\"height_mm\":50,\"files\":{"
            + roles
            + "}}]}");
    try (OutputStream out = Files.newOutputStream(folder.resolve("large.gbr"))) {
      out.write(ascii(HEAD + "%ADD10C,1*%D10*\n"));
      byte[] line = ascii("X1000000Y1000000D03*\n".repeat(1000));
      for (int i = 0; i < 1000; i++) {
        out.write(line);
      }
      out.write(ascii("M02*\n"));
    }
    KitFolder kit = KitFolder.at(folder);
    assertThat(kit.read())
        .isInstanceOfSatisfying(
            KitRead.Opened.class,
            opened -> {
              Budget budget = ReadingBudget.usual();
              assertThat(
                      humble.formats.board.BoardLayers.problems(
                          opened.kit().boards().getFirst(), kit.source(budget), budget))
                  .isEmpty();
            });
  }

  @Test
  void cornersOfRegionsAreCountedWhenTheyAreRepeated() {
    StringBuilder text = new StringBuilder(HEAD + "%SRX100Y100I1J1*%G36*X0Y0D02*\n");
    for (int i = 0; i < 20_000; i++) {
      text.append('X').append(i).append('Y').append(i % 7).append("D01*\n");
    }
    text.append("G37*%SR*%M02*\n");
    assertThatThrownBy(() -> Gerber.read("a.gbr", ascii(text)))
        .hasMessageContaining("more than 2,000,000 things");
  }

  @Test
  void flashesOfALargeMacroAreCountedByItsCorners() {
    StringBuilder text = new StringBuilder(HEAD + "%AMBIG*4,1,5000");
    for (int i = 0; i <= 5000; i++) {
      text.append(String.format(Locale.ROOT, ",%d,%d", i % 70, i % 90));
    }
    text.append(",0*%%ADD10BIG*%%LR30*%D10*\n");
    text.append("X0Y0D03*\n".repeat(100_000)).append("M02*\n");
    assertThatThrownBy(() -> Gerber.read("a.gbr", ascii(text)))
        .hasMessageContaining("more than 2,000,000 things");
  }

  @Test
  void bracketsOfAMacroNestOnlySoDeep() {
    String deep = "(".repeat(20_000) + "1" + ")".repeat(20_000);
    assertThatThrownBy(() ->
            Gerber.read("a.gbr", ascii(HEAD + "%AMD*1,1," + deep + ",0,0*%%ADD10D*%D10*M02*")))
        .hasMessageContaining("nest more than 50 deep");
    String signs = "-".repeat(20_000) + "1";
    assertThatThrownBy(() ->
            Gerber.read("a.gbr", ascii(HEAD + "%AMD*1,1," + signs + ",0,0*%%ADD10D*%D10*M02*")))
        .hasMessageContaining("nest more than 50 deep");
  }

  @Test
  void aMacroOfCommasAloneIsDamageOfTheFile() {
    assertThatThrownBy(() -> Gerber.read("a.gbr", ascii(HEAD + "%AMA*,*%%ADD10A*%D10*M02*")))
        .isInstanceOf(IOException.class)
        .hasMessageContaining("a.gbr line 1: The macro A");
  }

  @Test
  void aTableOfFiveMillionRowsEndsAtTheLimit() {
    assertThatThrownBy(() -> PartsTable.parts("Ref,Value\n" + "R1,1\n".repeat(4_000_000), "l.csv"))
        .isInstanceOf(IOException.class)
        .hasMessageContaining("more than 200000 rows");
  }

  @Test
  void aRowOfMillionsOfCellsIsRefused() {
    assertThatThrownBy(
            () -> PartsTable.parts("Ref,Value\n" + ",".repeat(8_000_000) + "\n", "l.csv"))
        .isInstanceOf(IOException.class)
        .hasMessageContaining("l.csv line 2: A row has more than 2000 cells");
  }

  @Test
  void aCellOf20000DigitsIsToldAndTheOthersAreRead() throws IOException {
    PartsTable table =
        PartsTable.parts("Ref,Value\nR1," + "9".repeat(20_000) + "\nR2,10k\n", "l.csv");
    assertThat(table.rows()).hasSize(1);
    assertThat(table.problems()).extracting(Finding::where).containsExactly("l.csv line 2");
  }

  @Test
  void aSeparatorThatIsALineBreakIsNone() throws IOException {
    assertThat(PartsTable.parts("sep=\nRef,Value\nR1,10k\n", "l.csv").rows()).hasSize(1);
  }

  @Test
  void overlappingRecordsDoNotMakeReadingQuadratic() {
    StringBuilder text = new StringBuilder();
    for (int i = 0; i < 200_000; i++) {
      int address = (200_000 - i) & 0xfffe;
      int sum = 2 + (address >> 8) + (address & 0xff) + 0xaa + 0x55;
      text.append(String.format(Locale.ROOT, ":02%04X00AA55%02X\n", address, -sum & 0xff));
    }
    text.append(":00000001FF\n");
    assertThat(IntelHex.read("a.hex", ascii(text)))
        .isInstanceOfSatisfying(
            ImageRead.Image.class,
            read -> {
              ProgramImage image = read.image();
              assertThat(image.length()).isEqualTo(0x10000);
              assertThat(image.overlaps()).isNotEmpty();
            });
  }

  @Test
  void millionsOfRunsAndHolesAndPinsEndAtTheBudget() {
    Budget small = Budget.of(1 << 20, 100, 60_000, System::nanoTime, () -> false);
    assertThatThrownBy(() ->
            DrillFile.read(
                "d", ascii("M48\nT1C1\n%\nT1\n" + "X1Y1\n".repeat(200) + "M30\n"), small))
        .hasMessageContaining("d line 105")
        .hasMessageContaining("more than 100 things");
    Budget other = Budget.of(1 << 20, 100, 60_000, System::nanoTime, () -> false);
    String record = "327NET              R1    -1          A01X+000100Y+000100\n";
    assertThatThrownBy(() -> Netlist.read("n", ascii(record.repeat(200) + "999\n"), other))
        .hasMessageContaining("n line 51");
  }

  @Test
  void anImageOfOneGigabyteIsRefusedByItsSize() throws IOException {
    Path file = folder.resolve("huge.hex");
    try (RandomAccessFile huge = new RandomAccessFile(file.toFile(), "rw")) {
      huge.setLength(1_000_000_000);
    }
    assertThatThrownBy(() -> InputFile.bytes(file, IntelHex.MOST_BYTES, ReadingBudget.usual()))
        .isInstanceOf(IOException.class)
        .hasMessage("The file has 1000 MB; more than 67 MB is not read.");
  }

  @Test
  void pipesAndDevicesAreNoFiles() throws Exception {
    Path pipe = folder.resolve("pipe.csv");
    assertThat(new ProcessBuilder("mkfifo", pipe.toString()).start().waitFor()).isZero();
    for (Path odd : new Path[] {pipe, Path.of("/dev/zero"), folder}) {
      assertThatThrownBy(() -> TableText.read(odd, ReadingBudget.usual()))
          .as(odd.toString())
          .isInstanceOf(IOException.class)
          .hasMessageContaining("a file is expected here");
    }
    Files.createDirectory(folder.resolve("kit"));
    Files.createSymbolicLink(folder.resolve("kit/kit.json"), pipe);
    assertThat(KitFolder.at(folder.resolve("kit")).read()).isInstanceOf(KitRead.Refused.class);
    assertThat(KitFolder.at(Path.of("/dev/zero")).read()).isInstanceOf(KitRead.Refused.class);
  }

  @Test
  void readingThatIsCalledOffEndsSoon() {
    byte[] drawn = ascii(HEAD + "%ADD10C,1*%D10*\n" + "X1Y1D03*\n".repeat(50_000) + "M02*");
    Budget calledOff = Budget.of(1 << 30, 1 << 30, 60_000, System::nanoTime, () -> true);
    assertThatThrownBy(() -> Gerber.read("a.gbr", drawn, calledOff))
        .hasMessageContaining("called off");
  }

  @Test
  void timeThatIsUpEndsReading() {
    byte[] drawn = ascii(HEAD + "%ADD10C,1*%D10*\n" + "X1Y1D03*\n".repeat(50_000) + "M02*");
    long[] now = {0};
    Budget brief = Budget.of(1 << 30, 1 << 30, 5_000, () -> now[0] += 1_000_000_000L, () -> false);
    assertThatThrownBy(() -> Gerber.read("a.gbr", drawn, brief))
        .hasMessageContaining("takes longer than 5 s");
  }

  @Test
  void aKitOfManyPartsIsCheckedInTime() throws IOException {
    StringBuilder refs = new StringBuilder();
    StringBuilder places = new StringBuilder();
    for (int i = 1; i <= 20_000; i++) {
      refs.append(i == 1 ? "" : ",").append("\"U").append(i).append('"');
      places
          .append(i == 1 ? "" : ",")
          .append("{\"ref\":\"U")
          .append(i)
          .append("\",\"board\":\"m\",\"x_mm\":1,\"y_mm\":1,\"mount\":\"socketed\"}");
    }
    Files.writeString(
        folder.resolve("kit.json"),
        "{\"format\":\"humble-kit/1\",\"id\":\"many\",\"name\":\"Many\",\"boards\":[{\"id\":\"m\","
            + "\"width_mm\":50,\"height_mm\":50}],\"lines\":[{\"id\":\"u\",\"kind\":\"chip\","
            + "\"package\":\"dip-8\",\"supplied\":9,\"refs\":["
            + refs
            + "]}],\"places\":["
            + places
            + "]}");
    assertThat(KitFolder.at(folder).read().findings()).isNotEmpty();
  }
}
