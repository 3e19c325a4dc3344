package humble.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.kit.Board;
import humble.core.kit.BoardPhoto;
import humble.core.kit.Kit;
import humble.core.kit.Side;
import humble.desktop.session.OpenBuild;
import humble.formats.kit.KitFolder;
import humble.formats.kit.KitRead;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A board that is told from photos, with the keypad alone. */
class OwnPhotoTest {
  private static final Path SOURCE =
      Path.of(System.getProperty("humble.root", "..")).resolve("kits/sandglass/source");

  private static void listed(BareBench bench) throws Exception {
    bench.keys().paste(Files.readString(SOURCE.resolve("sheet.txt")));
    for (int i = 0; i < 60 && !bench.card().title().startsWith("How large"); i++) {
      bench.press(KeyCode.ENTER);
      bench.waitFor(() -> bench.card().goEnabled() || bench.card().title().startsWith("How large"));
    }
  }

  private static void drop(BareBench bench, Path photo) throws InterruptedException {
    bench.keys().dropped(List.of(photo));
    settled(bench);
  }

  private static void settled(BareBench bench) throws InterruptedException {
    bench.waitFor(() -> !bench.card().title().equals("Looking for the board"));
  }

  private static void sized(BareBench bench) throws InterruptedException {
    bench.type("74/52");
    bench.press(KeyCode.ENTER);
    settled(bench);
  }

  private static void keep(BareBench bench) throws InterruptedException {
    assertThat(bench.card().title()).isEqualTo("Are these its corners?");
    bench.press(KeyCode.ENTER);
    settled(bench);
    assertThat(bench.card().title()).isNotEqualTo("Are these its corners?");
  }

  private static Board board(BareBench bench) {
    return bench.keys().build().orElseThrow().kit().boards().getFirst();
  }

  @Test
  void bothSidesOfABoardAreTakenFromPhotos(@TempDir Path home) throws Exception {
    try (BareBench bench = BareBench.open(home)) {
      listed(bench);
      drop(bench, SOURCE.resolve("top.jpg"));
      assertThat(bench.card().title()).isEqualTo("How large is the board?");
      sized(bench);
      keep(bench);
      BoardPhoto top = board(bench).photo(Side.TOP, false).orElseThrow();
      assertThat(top.fitMm().orElseThrow()).isLessThan(0.1);
      assertThat(top.holes()).hasSizeBetween(65, 69);
      assertThat(bench.card().title()).startsWith("R1, 470");
      drop(bench, SOURCE.resolve("solder-side.jpg"));
      keep(bench);
      BoardPhoto solder = board(bench).photo(Side.BOTTOM, false).orElseThrow();
      // The same hole is seen from both sides, and lies where it lies.
      long met =
          solder.holes().stream()
              .filter(
                  hole -> top.holes().stream().anyMatch(o -> o.at().distanceMm(hole.at()) < 0.2))
              .count();
      assertThat(met).isGreaterThan(62);
      OpenBuild open = bench.keys().build().orElseThrow();
      assertThat(open.looked()).isEqualTo(OpenBuild.Looked.PHOTO);
      bench.keys().blink();
      assertThat(bench.keys().build().orElseThrow().looked()).isEqualTo(OpenBuild.Looked.DRAWING);
      assertThat(open.photo(board(bench), Side.TOP)).isEmpty();
      bench.press(KeyCode.SUBTRACT);
      assertThat(board(bench).photo(Side.BOTTOM, false)).isEmpty();
    }
    try (BareBench bench = BareBench.open(home)) {
      bench.session().layLast();
      Kit kit = bench.session().open().orElseThrow().kit();
      assertThat(kit.boards().getFirst().photos()).as("tomorrow").hasSize(1);
    }
  }

  @Test
  void aKitThatIsSavedTakesItsPhotosAlong(@TempDir Path home) throws Exception {
    try (BareBench bench = BareBench.open(home)) {
      listed(bench);
      drop(bench, SOURCE.resolve("top.jpg"));
      sized(bench);
      keep(bench);
      Path saved = home.resolve("saved.hckit");
      bench.keys().build().orElseThrow().folder().writeTo(saved, false);
      KitFolder folder = KitFolder.at(saved);
      assertThat(folder.read()).isInstanceOf(KitRead.Opened.class);
      assertThat(folder.read().findings()).isEmpty();
      byte[] photo = folder.bytes(board(bench).photos().getFirst().file());
      assertThat(new String(photo, StandardCharsets.ISO_8859_1)).doesNotContain("Exif");
    }
  }

  @Test
  void aPhotoWithoutABoardIsNotReadAsAList(@TempDir Path home) throws Exception {
    try (BareBench bench = BareBench.open(home)) {
      bench.keys().dropped(List.of(SOURCE.resolve("top.jpg")));
      assertThat(bench.card().verdict().orElseThrow().text())
          .isEqualTo(
              "This is a picture, not a list. Take the list first; then drop the photo on its"
                  + " board.");
      assertThat(bench.card().rows()).isEmpty();
    }
  }

  @Test
  void cornersArePulledByTheKeypadAndTheBoardIsTurned(@TempDir Path home) throws Exception {
    try (BareBench bench = BareBench.open(home)) {
      listed(bench);
      drop(bench, SOURCE.resolve("top.jpg"));
      sized(bench);
      bench.press(KeyCode.NUMPAD1);
      bench.press(KeyCode.NUMPAD4);
      assertThat(bench.card().title()).isEqualTo("Put its corners right");
      bench.press(KeyCode.ENTER);
      settled(bench);
      assertThat(bench.card().title()).isEqualTo("Are these its corners?");
      bench.press(KeyCode.NUMPAD5);
      settled(bench);
      keep(bench);
      // Turned by half a turn, the hole in the lower left is the one of the upper right.
      assertThat(board(bench).photos().getFirst().holes())
          .anyMatch(hole -> Math.hypot(hole.at().xMm() - 70.5, hole.at().yMm() - 49) < 0.4);
    }
  }

  @Test
  void aFittedBoardIsHeldAgainstItsDrawingTheMostHarmfulPlaceFirst(@TempDir Path home)
      throws Exception {
    try (BareBench bench = BareBench.open(home)) {
      bench.session().layKit(SOURCE.getParent());
      bench.keys().changeKit();
      drop(bench, SOURCE.resolve("top.jpg"));
      assertThat(bench.card().kicker()).endsWith("with its parts");
      keep(bench);
      BoardPhoto fitted = board(bench).photo(Side.TOP, true).orElseThrow();
      assertThat(fitted.holes()).as("holes are covered by parts").isEmpty();
      assertThat(board(bench).photo(Side.TOP, false)).as("the bare one stays").isPresent();
      Path saved = home.resolve("saved");
      bench.keys().build().orElseThrow().folder().writeTo(saved, false);
      Kit kit = ((KitRead.Opened) KitFolder.at(saved).read()).kit();
      assertThat(kit.boards().getFirst().photo(Side.TOP, false)).isPresent();
      assertThat(kit.boards().getFirst().photo(Side.TOP, true)).as("of one build").isEmpty();
      bench.press(KeyCode.DECIMAL, KeyCode.DIVIDE);
      assertThat(bench.card().title()).startsWith("C2, 47");
      bench.press(KeyCode.NUMPAD1);
      for (int i = 0; i < 40 && bench.card().title().endsWith("is it so?"); i++) {
        bench.press(KeyCode.ENTER);
      }
      assertThat(bench.card().title()).isEqualTo("Not as drawn: 1");
      assertThat(bench.card().rows()).anyMatch(row -> row.text().equals("C2"));
      bench.press(KeyCode.ENTER);
      assertThat(bench.keys().build().orElseThrow().looked()).isEqualTo(OpenBuild.Looked.PHOTO);
    }
  }

  @Test
  void whatIsNoPhotoIsSaidInOneSentenceAndNothingIsLost(@TempDir Path home) throws Exception {
    try (BareBench bench = BareBench.open(home)) {
      listed(bench);
      Path none = Files.writeString(home.resolve("bell.jpg"), "no picture");
      drop(bench, none);
      assertThat(bench.card().verdict().orElseThrow().text())
          .isEqualTo("This is no photo: JPEG and PNG are read.");
      bench.press(KeyCode.SUBTRACT);
      assertThat(bench.card().title()).startsWith("How large is the board");
      bench.type("74/52");
      bench.press(KeyCode.ENTER);
      assertThat(board(bench).widthMm()).isEqualTo(74);
    }
  }
}
