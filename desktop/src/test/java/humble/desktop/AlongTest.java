package humble.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.build.Build;
import humble.core.build.BuildEvent;
import humble.core.craft.OthersDanger;
import humble.desktop.stage.Card;
import humble.desktop.stage.StageId;
import humble.formats.kit.BuildArchive;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import javafx.scene.input.KeyCode;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A build that is handed on, and what it keeps of photos, of other builds and of dangers. */
class AlongTest {
  @TempDir private Path home;

  private Path here() {
    return home.resolve("here");
  }

  private Path there() {
    return home.resolve("there");
  }

  /** Builds the kit a few steps far and writes the build as one file, by keypad. */
  private Path along(String kit) throws Exception {
    try (BareBench bench = BareBench.with(here(), kit)) {
      bench.walkTo("Measure");
      for (int i = 0; i < 30 && bench.build().passedGates().isEmpty(); i++) {
        bench.step();
      }
      bench.keys().goByKey(StageId.BOOK);
      bench.type("4");
      bench.waitFor(() -> bench.card().verdict().isPresent());
      assertThat(bench.card().verdict().orElseThrow().text()).contains(BuildArchive.ENDING);
      assertThat(bench.card().verdict().orElseThrow().good()).isTrue();
    }
    try (Stream<Path> reports = Files.list(here().resolve("reports"))) {
      return reports
          .filter(file -> file.toString().endsWith(BuildArchive.ENDING))
          .findFirst()
          .orElseThrow();
    }
  }

  private static void take(BareBench bench, Path file, String whose) throws Exception {
    bench.keys().dropped(List.of(file));
    bench.waitFor(() -> bench.card().key('1').isPresent());
    bench.type(whose);
  }

  @Test
  void onesOwnBuildGoesOnElsewhereWhereItWas() throws Exception {
    Path file = along("foghorn");
    Build before;
    try (BareBench bench = BareBench.again(here())) {
      before = bench.build();
    }
    try (BareBench bench = BareBench.open(there())) {
      take(bench, file, "1");
      Build now = bench.build();
      assertThat(now.fittedRefs()).isEqualTo(before.fittedRefs()).isNotEmpty();
      assertThat(now.passedGates()).isEqualTo(before.passedGates()).isNotEmpty();
      assertThat(now.isTakenOver()).isFalse();
      assertThat(Path.of(now.began().orElseThrow().kitPath()))
          .as("its kit is this bench's own now")
          .startsWith(there().resolve("kits"))
          .exists();
      bench.keys().dropped(List.of(file));
      bench.waitFor(() -> bench.card().key('1').isPresent());
      bench.type("1");
      assertThat(bench.session().shelf()).as("it is not taken in twice").hasSize(2);
    }
  }

  /** Where the kit lay and who its maker is stay on the machine that it comes from. */
  @Test
  void noPlaceOfTheOtherMachineGoesAlong() throws Exception {
    Path file = along("foghorn");
    if (!(BuildArchive.open(file) instanceof BuildArchive.Read.Opened opened)) {
      throw new AssertionError("it is a build as one file");
    }
    assertThat(opened.archive().lines())
        .contains("Began")
        .doesNotContain(BenchInTest.root().toString(), home.toString());
  }

  @Test
  void anotherHandsBuildIsLookedAtAndProvedAnew() throws Exception {
    Path file = along("foghorn");
    try (BareBench bench = BareBench.open(there())) {
      take(bench, file, "2");
      Build taken = bench.build();
      assertThat(taken.isTakenOver()).isTrue();
      assertThat(taken.passedGates()).isEmpty();
      int left = taken.unseen().size();
      assertThat(left).isPositive();
      assertThat(bench.card().kicker()).contains("taken over");
      assertThat(bench.card().title()).startsWith("Look at ");
      bench.press(KeyCode.ENTER);
      assertThat(bench.build().unseen()).hasSizeLessThan(left);
      String gone = bench.build().unseen().iterator().next();
      bench.type("0");
      assertThat(bench.build().fittedRefs()).doesNotContain(gone);
      for (int i = 0; i < 60 && !bench.build().unseen().isEmpty(); i++) {
        bench.press(KeyCode.ENTER);
      }
      assertThat(bench.build().unseen()).isEmpty();
      bench.keys().goByKey(StageId.BOOK);
      assertThat(bench.card().rows())
          .extracting(Card.Row::text)
          .anyMatch(text -> text.contains("Taken over"));
    }
  }

  @Test
  void aFileThatIsNoBuildIsRefusedWithAReason() throws Exception {
    Path bad = Files.writeString(home.resolve("torn.hcbuild"), "not an archive");
    try (BareBench bench = BareBench.open(there())) {
      bench.keys().dropped(List.of(bad));
      bench.waitFor(() -> bench.card().verdict().isPresent());
      assertThat(bench.card().verdict().orElseThrow().good()).isFalse();
      bench.press(KeyCode.ENTER);
      assertThat(bench.keys().stage()).isEqualTo(StageId.SHELF);
      assertThat(bench.session().shelf()).isEmpty();
    }
  }

  @Test
  void aBuildRestsOnAnother() throws Exception {
    try (BareBench bench = BareBench.with(here(), "buoy")) {
      bench.keys().goByKey(StageId.BOOK);
      bench.type("6");
      assertThat(bench.card().how().getFirst()).contains("no other build");
    }
    try (BareBench bench = BareBench.with(here(), "gull")) {
      bench.keys().goByKey(StageId.BOOK);
      bench.type("6");
      bench.type("1");
      assertThat(bench.build().restsOn().orElseThrow().build()).startsWith("buoy");
      assertThat(bench.card().rows())
          .extracting(Card.Row::text)
          .anyMatch(text -> text.startsWith("Rests on"));
    }
  }

  private Path photo() throws Exception {
    BufferedImage image = new BufferedImage(2000, 1500, BufferedImage.TYPE_INT_RGB);
    Graphics2D g = image.createGraphics();
    g.setColor(new Color(20, 90, 70));
    g.fillRect(400, 300, 1200, 900);
    g.dispose();
    Path file = home.resolve("bench <b>.jpg");
    ImageIO.write(image, "jpg", file.toFile());
    return file;
  }

  @Test
  void aPhotoIsKeptWithTheStepAndGoesAlong() throws Exception {
    try (BareBench bench = BareBench.with(here(), "buoy")) {
      String title = bench.card().title();
      bench.keys().dropped(List.of(photo()));
      assertThat(bench.card().rows().getFirst().text()).contains(title);
      bench.press(KeyCode.ENTER);
      bench.waitFor(() -> !bench.build().photos().isEmpty());
      BuildEvent.PhotoKept kept = bench.build().photos().getFirst();
      assertThat(kept.at()).isEqualTo(title);
      assertThat(kept.file()).matches("photos/[0-9a-f]{32}\\.jpg");
      Path file = here().resolve(kept.file());
      assertThat(ImageIO.read(file.toFile()).getWidth()).isEqualTo(1600);
      assertThat(bench.card().title()).as("back at the step").isEqualTo(title);
      byte[] along = bench.session().along(bench.build());
      Path archive = Files.write(home.resolve("buoy.hcbuild"), along);
      try (BareBench other = BareBench.open(there())) {
        take(other, archive, "1");
        Path kit = Path.of(other.build().began().orElseThrow().kitPath());
        assertThat(kit.resolve(kept.file())).hasSameBinaryContentAs(file);
      }
    }
  }

  @Test
  void whatTheThingDoesToOthersIsAskedOnceAndStops() throws Exception {
    Path kit = Files.createDirectories(home.resolve("plain"));
    Files.writeString(
        kit.resolve("kit.json"),
        """
        {"format":"humble-kit/1","id":"plain","name":"Plain","revision":"1","summary":"A list.",
         "lines":[{"id":"r","kind":"resistor","value":"1k","package":"axial-quarter-watt",
                   "refs":["R1"],"supplied":1}]}
        """,
        StandardCharsets.UTF_8);
    try (BareBench bench = BareBench.open(here())) {
      bench.keys().dropped(List.of(kit));
      Card asked = bench.walkTo("What does the finished thing do");
      assertThat(asked.rows()).hasSize(OthersDanger.values().length);
      bench.type("2");
      assertThat(bench.card().go()).isEqualTo("This one, next");
      bench.press(KeyCode.ENTER);
      assertThat(bench.build().dangers().orElseThrow()).containsExactly("mains");
      bench.keys().goByKey(StageId.POWER);
      assertThat(bench.card().caution().orElseThrow().grave()).isTrue();
      assertThat(bench.card().caution().orElseThrow().text()).contains("mains", "qualified");
      bench.press(KeyCode.ENTER);
      assertThat(bench.build().acknowledged()).as("not without a reason").isEmpty();
      for (char c : "my brother is an electrician".toCharArray()) {
        bench.keys().character(String.valueOf(c));
      }
      bench.press(KeyCode.ENTER);
      assertThat(bench.build().acknowledgedWhy())
          .containsEntry("power", "my brother is an electrician");
      bench.keys().goByKey(StageId.UNPACK);
      assertThat(bench.card().title()).doesNotContain("finished thing do");
    }
  }
}
