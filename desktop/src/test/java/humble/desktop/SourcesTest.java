package humble.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.kit.Kit;
import humble.core.kit.Line;
import humble.desktop.stage.Card;
import humble.desktop.stage.StageId;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Lists and board files that leave something unsaid are asked about in the window. */
class SourcesTest {
  private static final int MOST_STEPS = 60;

  @TempDir Path home;

  private BareBench bench;

  @BeforeEach
  void open() {
    bench = BareBench.open(home);
  }

  @AfterEach
  void close() {
    bench.close();
  }

  private Card card() {
    return bench.card();
  }

  private Path board(String name) throws IOException {
    Path to = Files.createDirectories(home.resolve("files"));
    Path zip = BenchInTest.root().resolve("formats/src/test/resources/boards/" + name + ".zip");
    try (InputStream in = Files.newInputStream(zip);
        ZipInputStream entries = new ZipInputStream(in)) {
      for (ZipEntry e = entries.getNextEntry(); e != null; e = entries.getNextEntry()) {
        Files.write(to.resolve(e.getName()), entries.readAllBytes());
      }
    }
    return to;
  }

  private void drop(Path file) throws InterruptedException {
    bench.keys().dropped(List.of(file));
    settle();
  }

  private void settle() throws InterruptedException {
    bench.waitFor(() -> !String.valueOf(card().go()).contains("being read"));
  }

  /** Presses Enter until the kit is laid; gives it. */
  private Kit kept() throws InterruptedException {
    for (int i = 0; i < MOST_STEPS && bench.keys().stage() != StageId.UNPACK; i++) {
      settle();
      bench.press(KeyCode.ENTER);
    }
    return bench.keys().build().orElseThrow().kit();
  }

  @Test
  void aColumnThatIsNotUnderstoodIsAskedForAndAssigned() throws Exception {
    Path list = home.resolve("list.csv");
    Files.writeString(list, "Ref,Val,Drawer,Mood\nR1,1k,blue seven,good\nC1,100n,red two,fair\n");
    drop(list);
    bench.press(KeyCode.ENTER);
    assertThat(card().title()).contains("drawer");
    assertThat(card().how().toString()).contains("2 rows").contains("blue seven, red two");
    assertThat(card().rows().getFirst().text()).contains("nothing that is needed");
    bench.press(KeyCode.NUMPAD7);
    bench.press(KeyCode.ENTER);
    assertThat(card().title()).contains("mood");
    Kit kit = kept();
    assertThat(kit.lines())
        .extracting(Line::bag)
        .containsExactlyInAnyOrder("blue seven", "red two");
  }

  @Test
  void aFolderOfBoardFilesBecomesAKitWithItsNetsAndItsFiles() throws Exception {
    drop(board("quay"));
    assertThat(card().how().toString()).contains("understood").doesNotContain(" 0 nets");
    Kit kit = kept();
    assertThat(kit.places()).hasSameSizeAs(kit.lines());
    assertThat(kit.nets()).isNotEmpty();
    Path kits = home.resolve("kits");
    try (var folders = Files.list(kits)) {
      Path own = folders.findFirst().orElseThrow();
      kit.boards()
          .getFirst()
          .files()
          .values()
          .forEach(file -> assertThat(own.resolve(file)).exists());
    }
  }

  @Test
  void aLayerThatNobodyTellsIsAskedFor() throws Exception {
    Path files = board("quay");
    Path legend;
    try (var all = Files.list(files)) {
      legend =
          all.filter(file ->
                  file.getFileName()
                      .toString()
                      .matches(".*outline.*|.*profile.*|.*edge.*|.*\\.gko|.*\\.gm1"))
              .findFirst()
              .orElseThrow();
    }
    String text = Files.readString(legend).replaceAll("(?m)^.*TF\\.FileFunction.*\n", "");
    Files.writeString(files.resolve("seven.gbr"), text);
    Files.delete(legend);
    drop(files);
    bench.press(KeyCode.ENTER);
    assertThat(card().title()).contains("seven.gbr");
    int edge = -1;
    for (int i = 0; i < card().rows().size(); i++) {
      edge = card().rows().get(i).text().contains("edge of the board") ? i : edge;
    }
    assertThat(edge).isPositive();
    bench.press(KeyCode.valueOf("NUMPAD" + (edge + 1)));
    bench.press(KeyCode.ENTER);
    settle();
    Kit kit = kept();
    assertThat(kit.boards().getFirst().files()).containsEntry("profile", "board/seven.gbr");
  }

  @Test
  void aBoardWithoutAUnitIsAskedForItWithItsSizeInBoth() throws Exception {
    Path files = board("quay");
    try (var all = Files.list(files)) {
      for (Path file : all.toList()) {
        String text = Files.readString(file, java.nio.charset.StandardCharsets.ISO_8859_1);
        Files.writeString(
            file,
            text.replaceAll("(?m)^%MO(IN|MM)\\*%\\r?\n", ""),
            java.nio.charset.StandardCharsets.ISO_8859_1);
      }
    }
    drop(files);
    // Without a unit nothing of the board is known: not even its parts.
    bench.keys().paste("2 x 1k R1 R2");
    settle();
    bench.press(KeyCode.ENTER);
    settle();
    assertThat(card().title()).isEqualTo("Millimetres or inches?");
    assertThat(card().rows()).hasSize(2).allMatch(row -> row.text().contains("a board of"));
    bench.press(KeyCode.ENTER);
    settle();
    assertThat(card().title()).doesNotContain("Millimetres");
  }

  /** Fifty-seven lights in four answers, with keypad keys. */
  @Test
  void lightsBecomeAMatrixWithItsStates() throws Exception {
    Path list = home.resolve("list.csv");
    StringBuilder refs = new StringBuilder("LED1");
    for (int i = 2; i <= 57; i++) {
      refs.append(" LED").append(i);
    }
    Files.writeString(
        list,
        "Ref,Val,Package,supply pins\nU1,HL-L20 controller chip,DIP-20,20 10\n"
            + refs
            + ",red LED,3 mm,\n");
    drop(list);
    for (int i = 0; i < MOST_STEPS && !card().title().equals("What is it called?"); i++) {
      bench.press(KeyCode.ENTER);
    }
    bench.press(KeyCode.ADD);
    assertThat(card().title()).isEqualTo("Which chip drives the lights?");
    bench.press(KeyCode.ENTER);
    for (int pin = 1; pin <= 3; pin++) {
      bench.press(KeyCode.valueOf("NUMPAD" + pin), KeyCode.DECIMAL);
    }
    bench.press(KeyCode.ENTER, KeyCode.ENTER);
    assertThat(card().how().toString()).contains("57 lights").contains("tell 6 apart");
    bench.press(KeyCode.NUMPAD5, KeyCode.NUMPAD7, KeyCode.ENTER);
    assertThat(card().verdict().orElseThrow().text()).contains("at most 6 lights");
    for (int pin = 1; pin <= 9; pin++) {
      bench.press(KeyCode.valueOf("NUMPAD" + pin), KeyCode.DECIMAL);
    }
    bench.press(KeyCode.ENTER, KeyCode.ENTER, KeyCode.ENTER);
    assertThat(card().how().toString()).contains("57 lights are driven by U1");
    Kit kit = kept();
    assertThat(kit.states()).hasSize(57);
    assertThat(kit.peripherals()).hasSize(1);
    assertThat(kit.nets().values().stream().mapToInt(List::size).sum()).isEqualTo(2 * 57 + 9);
  }
}
