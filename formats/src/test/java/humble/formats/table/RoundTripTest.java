package humble.formats.table;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import humble.core.intake.Draft;
import humble.core.intake.Guess;
import humble.core.intake.Intake;
import humble.core.kit.Kit;
import humble.core.kit.Line;
import humble.formats.kit.BoardFiles;
import humble.formats.kit.DemoKits;
import humble.formats.kit.KitFolder;
import humble.formats.kit.KitRead;
import humble.formats.kit.KitWriter;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class RoundTripTest {
  @TempDir Path folder;

  static Stream<Path> demoKits() throws IOException {
    return DemoKits.all().stream();
  }

  private static Kit open(Path path) {
    KitRead read = KitFolder.at(path).read();
    assertThat(read.findings()).noneMatch(f -> f.isError());
    return ((KitRead.Opened) read).kit();
  }

  /** All that a parts list can carry: everything but the electrical model. */
  private static List<Line> plain(Kit kit) {
    return kit.lines().stream().map(line -> line.with(line.refs(), null)).toList();
  }

  @ParameterizedTest
  @MethodSource("demoKits")
  void partsAndPlacesComeBackAsTheyWere(Path path) throws IOException {
    Kit kit = open(path);
    Draft draft =
        Intake.draft(
            kit.name(),
            PartsTable.parts(KitTables.parts(kit), "bom.csv").rows(),
            PartsTable.places(KitTables.places(kit), "places.csv").rows(),
            Map.of());
    List<String> own = kit.packages().stream().map(pack -> pack.id()).toList();
    assertThat(plain(draft.kit())).isEqualTo(plain(kit));
    assertThat(draft.kit().places())
        .usingRecursiveFieldByFieldElementComparatorOnFields(
            "ref", "board", "side", "at", "rotationDeg", "mount", "standoffMm")
        .isEqualTo(kit.places());
    assertThat(draft.guesses())
        .filteredOn(guess -> !guess.line().equals("board"))
        .allSatisfy(guess ->
            assertThat(own)
                .contains(draft.kit().line(guess.line()).map(Line::packageId).orElse("")));
    Path written = folder.resolve("again");
    KitWriter.write(written, KitWriter.text(draft.kit()), Map.of(), false);
    assertThat(open(written).lines()).isEqualTo(draft.kit().lines());
    assertThat(open(written).places()).isEqualTo(draft.kit().places());
    assertThat(open(written).packages()).isEqualTo(draft.kit().packages());
  }

  @ParameterizedTest
  @MethodSource("demoKits")
  void anArchiveIsTheSameKitAndTheSameBytes(Path path) throws IOException {
    byte[] archive = KitFolder.at(path).archive();
    Path zip = folder.resolve("kit.hckit");
    Files.write(zip, archive);
    assertThat(open(zip)).isEqualTo(open(path));
    assertThat(KitFolder.at(path).archive()).isEqualTo(archive);
    assertThat(KitFolder.at(zip).archive()).isEqualTo(archive);
  }

  @Test
  void unknownKeysAndOtherFilesGoIntoTheArchive() throws IOException {
    Path kit = folder.resolve("kit");
    Files.createDirectories(kit);
    String text =
        """
        {"format":"humble-kit/1","id":"x","name":"x","kind":"badge","glow":{"deep":[1]},
         "lines":[{"id":"r","kind":"resistor","value":"1k","package":"axial-quarter-watt","refs":["R1"],"supplied":1,"shine":2}]}
        """;
    Files.writeString(kit.resolve("kit.json"), text);
    Files.writeString(kit.resolve("sheet.txt"), "first the low ones");
    Path zip = folder.resolve("x.hckit");
    Files.write(zip, KitFolder.at(kit).archive());
    assertThat(new String(KitFolder.at(zip).bytes("kit.json"), StandardCharsets.UTF_8))
        .isEqualTo(text);
    assertThat(new String(KitFolder.at(zip).bytes("sheet.txt"), StandardCharsets.UTF_8))
        .isEqualTo("first the low ones");
  }

  @Test
  void whatIsThereIsNotReplacedUnlessAskedAndNeverByHalf() throws IOException {
    Path kit = folder.resolve("kit");
    KitWriter.write(kit, "{}".getBytes(StandardCharsets.UTF_8), Map.of(), false);
    assertThatThrownBy(() -> KitWriter.write(kit, new byte[0], Map.of(), false))
        .hasMessageContaining("--force");
    Path missing = folder.resolve("nowhere.gbr");
    assertThatThrownBy(
            () -> KitWriter.write(kit, new byte[0], Map.of("board/a.gbr", missing), true))
        .isInstanceOf(IOException.class);
    assertThat(Files.readString(kit.resolve("kit.json"))).isEqualTo("{}");
    Path other = folder.resolve("pictures");
    Files.createDirectories(other);
    Files.writeString(other.resolve("boat.txt"), "boat");
    assertThatThrownBy(() -> KitWriter.write(other, new byte[0], Map.of(), true))
        .hasMessageContaining("no kit");
    assertThat(other.resolve("boat.txt")).exists();
    try (Stream<Path> left = Files.list(folder)) {
      assertThat(left.map(p -> String.valueOf(p.getFileName())))
          .containsExactlyInAnyOrder("kit", "pictures");
    }
  }

  @Test
  void boardFilesAreToldByTheirContent() throws IOException {
    Files.writeString(
        folder.resolve("a.gbr"), "%TF.FileFunction,Copper,L1,Top*%\n%FSLAX46Y46*%\nM02*\n");
    Files.writeString(
        folder.resolve("b.gbr"), "%TF.FileFunction,Soldermask,Bot*%\n%FSLAX46Y46*%\nM02*\n");
    Files.writeString(folder.resolve("tide-outline.gbr"), "%FSLAX46Y46*%\n%MOMM*%\nM02*\n");
    Files.writeString(folder.resolve("holes.drl"), "M48\nMETRIC,TZ\nT1C0.8\n%\nT1\nX1Y1\nM30\n");
    Files.writeString(folder.resolve("readme.txt"), "hello");
    BoardFiles files = BoardFiles.in(folder);
    assertThat(files.within("board"))
        .isEqualTo(
            Map.of(
                "copper_top", "board/a.gbr",
                "mask_bottom", "board/b.gbr",
                "profile", "board/tide-outline.gbr",
                "drill", "board/holes.drl"));
    assertThat(files.others())
        .extracting(p -> String.valueOf(p.getFileName()))
        .containsExactly("readme.txt");
    assertThatThrownBy(() -> BoardFiles.in(folder.resolve("a.gbr")))
        .hasMessageContaining("no folder");
  }

  @Test
  void fiveThousandLinesAreReadAndCheckedWhole() throws IOException {
    StringBuilder list = new StringBuilder("Ref,Value,Package,Note\n");
    for (int i = 1; i <= 5000; i++) {
      list.append("R")
          .append(i)
          .append(',')
          .append(i)
          .append("k,axial 0207,row ")
          .append(i)
          .append('\n');
    }
    Draft draft =
        Intake.draft(
            "Long", PartsTable.parts(list.toString(), "l.csv").rows(), List.of(), Map.of());
    assertThat(draft.kit().lines()).hasSize(5000);
    List<String> ids = new ArrayList<>(draft.kit().lines().stream().map(Line::id).toList());
    assertThat(ids).doesNotHaveDuplicates();
    assertThat(draft.guesses()).extracting(Guess::line).contains(ids.getLast());
  }
}
