package humble.formats.board;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.intake.BoardFacts;
import humble.core.kit.Side;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class BoardReadingTest {
  private static final String HEAD = "%FSLAX46Y46*%\n%MOMM*%\n%ADD10C,1*%\nD10*\n";

  @TempDir Path folder;

  private Path file(String name, String text) throws IOException {
    return Files.writeString(folder.resolve(name), text);
  }

  private static String pad(String ref, String pin, String net, int xMm, int yMm) {
    return String.format(
        "%%TO.P,%s,%s*%%\n%%TO.N,%s*%%\nX%d000000Y%d000000D03*\n", ref, pin, net, xMm, yMm);
  }

  @Test
  void aPadOnBothSidesIsAHoleAndItsNetIsTakenOnce() throws IOException {
    Map<String, Path> files =
        Map.of(
            "copper_top",
            file("t.gbr", HEAD + pad("R1", "1", "A", 1, 2) + pad("U1", "1", "A", 5, 5) + "M02*\n"),
            "copper_bottom",
            file("b.gbr", HEAD + pad("R1", "1", "A", 1, 2) + pad("U2", "1", "B", 9, 9) + "M02*\n"));
    BoardReading reading = BoardReading.of(new java.util.TreeMap<>(files));
    assertThat(reading.problems()).isEmpty();
    Map<String, BoardFacts.Pad> pads = reading.facts().pads();
    assertThat(pads.get("R1.1").side()).isEmpty();
    assertThat(pads.get("U1.1").side()).contains(Side.TOP);
    assertThat(pads.get("U2.1").side()).contains(Side.BOTTOM);
    assertThat(reading.facts().nets().get("A")).containsExactlyInAnyOrder("R1.1", "U1.1");
    assertThat(reading.facts().outline()).isEmpty();
  }

  @Test
  void theNetlistGoesBeforeTheAttributesOfTheCopper() throws IOException {
    String record =
        String.format(
            "317%-14s   %-6s-%-4s %-6sA00X%+07dY%+07d\n999\n",
            "C", "R1", "1", "D0900P", 1000, 2000);
    Map<String, Path> files =
        Map.of(
            "copper_top", file("t.gbr", HEAD + pad("R1", "1", "A", 1, 2) + "M02*\n"),
            "netlist", file("n.ipc", "P  UNITS CUST 1\n" + record));
    BoardReading reading = BoardReading.of(files);
    assertThat(reading.facts().nets()).containsOnlyKeys("C");
  }

  @Test
  void everyDamagedFileIsNamedAndTheOthersAreTaken() throws IOException {
    Map<String, Path> files =
        Map.of(
            "profile",
            file(
                "edge.gbr",
                HEAD + "X0Y0D02*\nX40000000D01*\nY30000000D01*\nX0D01*\nY0D01*\nM02*\n"),
            "drill",
            file("h.drl", "M48\nMETRIC\n%\nT9\nM30\n"),
            "legend_top",
            file("l.gbr", "%FSLAX46Y46*%\nD10*\nM02*\n"),
            "netlist",
            file("n.ipc", "317GND\n"),
            "mask_top",
            folder.resolve("none.gbr"));
    BoardReading reading = BoardReading.of(new java.util.TreeMap<>(files));
    assertThat(reading.facts().outline().orElseThrow()).containsExactly(0, 0, 40, 30);
    assertThat(reading.problems())
        .extracting(problem -> problem.where())
        .containsExactly("h.drl line 4", "l.gbr line 2", "none.gbr", "n.ipc line 1");
  }
}
