package humble.formats.kit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class BoardFilesRoleTest {
  @TempDir Path folder;

  private String role(String name, String text) throws IOException {
    Files.writeString(folder.resolve(name), text);
    BoardFiles files = BoardFiles.in(folder);
    return files.byRole().isEmpty() ? "" : files.byRole().firstEntry().getKey();
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
          Copper,L1,Top         | copper_top
          Copper,L2,Bot         | copper_bottom
          Copper,L2,Inr         | copper_2
          Soldermask,Top        | mask_top
          Legend,Bot            | legend_bottom
          Profile,NP            | profile
          Plated,1,2,PTH        | drill
          Paste,Top             | paste_top
          NonPlated,1,2,NPTH    | drill_unplated
          AssemblyDrawing,Top   | ''
          """)
  void byTheFileFunction(String function, String role) throws IOException {
    String text = "G04 a layer*\n%TF.FileFunction," + function + "*%\n%FSLAX46Y46*%\nM02*\n";
    assertThat(role("layer.gbr", text)).isEqualTo(role);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
          vane-top-copper.gbr      | copper_top
          vane_bottom_layer.gbr    | copper_bottom
          TopMask.gbr              | mask_top
          back-silk.gbr            | legend_bottom
          front legend.gbr         | legend_top
          board-outline.gbr        | profile
          vane.GTL                 | copper_top
          vane.gbl                 | copper_bottom
          vane-F_Cu.gbr            | copper_top
          vane-B_Cu.gbr            | copper_bottom
          vane-In1_Cu.gbr          | copper_2
          vane.G2                  | copper_3
          vane.g2l                 | copper_2
          vane.GP1                 | copper_2
          top.gbr                  | copper_top
          vane-bottom.gbr          | copper_bottom
          vane.GTS                 | mask_top
          vane-F_Mask.gbr          | mask_top
          vane.GBO                 | legend_bottom
          vane-B_Paste.gbr         | paste_bottom
          vane.gko                 | profile
          vane-Edge_Cuts.gbr       | profile
          layer 3.gbr              | copper_3
          vane.gbr                 | ''
          vane-fab.gbr             | ''
          bottle.gbr               | ''
          """)
  void byItsNameWhereTheFileDoesNotSay(String name, String role) throws IOException {
    assertThat(role(name, "%FSLAX46Y46*%\n%MOMM*%\nM02*\n")).isEqualTo(role);
  }

  @Test
  void drillFilesAndNetlistsByTheirRecords() throws IOException {
    Files.writeString(folder.resolve("a.txt"), "; made\nM48\nMETRIC\n%\nM30\n");
    Files.writeString(
        folder.resolve("b.txt"),
        "C  vane\n317GND              R1    -1    D0900PA00X+00100Y+00200\n999\n");
    Files.writeString(folder.resolve("c.txt"), "just words\n");
    BoardFiles files = BoardFiles.in(folder);
    assertThat(files.byRole()).containsOnlyKeys("drill", "netlist");
    assertThat(files.others()).hasSize(1);
    assertThat(files.all()).hasSize(3);
  }

  @Test
  void twoFilesOfOneRoleAreBothKept() throws IOException {
    Files.writeString(folder.resolve("a.gbr"), "%TF.FileFunction,Profile,NP*%\nM02*\n");
    Files.writeString(folder.resolve("b.gbr"), "%TF.FileFunction,Profile,NP*%\nM02*\n");
    BoardFiles files = BoardFiles.in(folder);
    assertThat(files.byRole()).hasSize(1);
    assertThat(files.others())
        .extracting(f -> String.valueOf(f.getFileName()))
        .containsExactly("b.gbr");
  }

  @Test
  void anEmptyFolderOrNoneIsSaid() {
    assertThatThrownBy(() -> BoardFiles.in(folder)).hasMessageContaining("holds no files");
    assertThatThrownBy(() -> BoardFiles.in(folder.resolve("x"))).hasMessageContaining("no folder");
  }
}
