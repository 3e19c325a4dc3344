package humble.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.kit.Kit;
import humble.core.kit.PartKind;
import humble.desktop.stage.Card;
import humble.desktop.stage.StageId;
import humble.formats.kit.KitFolder;
import humble.formats.kit.KitRead;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A kit from a parts list, brought in through the window. */
class IntakeStageTest {
  @TempDir Path home;

  private static void toTheList(BenchInTest bench) {
    while (!bench.card().title().equals("Type in a parts list")) {
      bench.press(KeyCode.ADD);
    }
    bench.press(KeyCode.ENTER);
  }

  /** Enter until the kit lies on the bench. */
  private static void takeAll(BenchInTest bench) {
    for (int i = 0; i < 40 && bench.at() == StageId.SHELF; i++) {
      bench.press(KeyCode.ENTER);
    }
    assertThat(bench.at()).isEqualTo(StageId.UNPACK);
  }

  private static Kit kit(BenchInTest bench) {
    return BenchInTest.on(() -> bench.session().open().orElseThrow().kit());
  }

  @Test
  void aListIsEnteredWithTheKeypadAloneAndTheBuildGoesOnToTheBook() throws Exception {
    try (BenchInTest bench = BenchInTest.open(home)) {
      toTheList(bench);
      bench.press(KeyCode.ADD);
      bench.number("3");
      bench.press(KeyCode.ENTER);
      assertThat(bench.card().title()).isEqualTo("What are they?");
      bench.press(KeyCode.ENTER);
      bench.number("10");
      assertThat(bench.card().field().orElseThrow().unit()).isEqualTo("kΩ");
      bench.press(KeyCode.ADD, KeyCode.ENTER);
      assertThat(bench.card().how()).containsExactly("They are R1 to R3.");
      bench.press(KeyCode.ENTER);
      bench.press(KeyCode.ADD, KeyCode.NUMPAD1, KeyCode.ENTER);
      bench.press(KeyCode.ADD, KeyCode.ADD, KeyCode.ADD, KeyCode.ENTER, KeyCode.ENTER);
      takeAll(bench);
      Kit kit = kit(bench);
      assertThat(kit.lines())
          .extracting(line -> line.kind() + line.value() + line.refs())
          .containsExactly("RESISTOR10[R1, R2, R3]", "LED[LED1]");
      bench.walkTo(StageId.BOOK);
    }
    try (BenchInTest bench = BenchInTest.again(home)) {
      assertThat(bench.at()).isEqualTo(StageId.BOOK);
    }
  }

  @Test
  void typedLinesAreReadWhileTheyAreTypedAndKeptUntilTheKitIs() throws Exception {
    try (BenchInTest bench = BenchInTest.open(home)) {
      toTheList(bench);
      bench.type("3 x 10k brown-black-orange R1, R4 R9");
      Card card = bench.card();
      assertThat(card.field().orElseThrow().typed())
          .isEqualTo("3 x 10k brown-black-orange R1, R4 R9");
      assertThat(card.verdict().orElseThrow().text()).isEqualTo("3 × 10 kΩ resistor: R1, R4, R9.");
      bench.press(KeyCode.ENTER);
      bench.type("hello");
      assertThat(bench.card().verdict().orElseThrow().good()).isFalse();
    }
    try (BenchInTest bench = BenchInTest.open(home)) {
      toTheList(bench);
      assertThat(bench.card().kicker()).contains("1 so far");
      bench.press(KeyCode.SUBTRACT);
      assertThat(bench.card().kicker()).contains("0 so far");
      assertThat(bench.card().goEnabled()).isFalse();
      assertThat(home.resolve("typed-list.txt")).doesNotExist();
    }
  }

  @Test
  void legsThatTwoOrdersExistForAreAskedInWords() throws Exception {
    try (BenchInTest bench = BenchInTest.open(home)) {
      toTheList(bench);
      bench.type("2 x BC907 transistor Q1 Q2");
      bench.press(KeyCode.ENTER, KeyCode.ENTER);
      assertThat(bench.card().title()).startsWith("Which leg is which on BC907");
      assertThat(bench.card().rows().getFirst().text())
          .isEqualTo("collector, base, emitter, 75 % sure");
      bench.press(KeyCode.ADD);
      assertThat(bench.card().go()).isEqualTo("Take emitter, base, collector");
      bench.press(KeyCode.ENTER);
      takeAll(bench);
      humble.core.kit.Model.Bipolar model =
          (humble.core.kit.Model.Bipolar) kit(bench).lines().getFirst().model();
      assertThat(model.e() + model.b() + model.c()).isEqualTo("123");
    }
  }

  @Test
  void guessesAreLookedAtAndAnotherCandidateIsTaken() throws Exception {
    try (BenchInTest bench = BenchInTest.open(home)) {
      toTheList(bench);
      bench.type("2 x chip U1 U2");
      bench.press(KeyCode.ENTER, KeyCode.ENTER);
      assertThat(bench.card().title()).startsWith("Which package has");
      assertThat(bench.card().rows().getFirst().text()).contains("chip, 8 pins").contains("% sure");
      bench.press(KeyCode.ADD);
      assertThat(bench.card().go()).isEqualTo("Take chip, 14 pins");
      bench.type("nonsense");
      assertThat(bench.card().goEnabled()).isFalse();
      bench.press(KeyCode.ESCAPE);
      assertThat(bench.card().go()).isEqualTo("Take chip, 14 pins");
      bench.press(KeyCode.ENTER);
      assertThat(bench.card().title()).startsWith("Which pins feed chip");
      assertThat(bench.card().how().toString()).contains("not reckoned with");
      bench.press(KeyCode.ENTER);
      assertThat(bench.card().title()).isEqualTo("What is it called?");
      bench.type("Tide clock");
      bench.press(KeyCode.ENTER);
      assertThat(bench.at()).isEqualTo(StageId.UNPACK);
      assertThat(kit(bench).name()).isEqualTo("Tide clock");
      assertThat(kit(bench).lines().getFirst().packageId()).isEqualTo("dip-14");
      assertThat(home.resolve("kits/tide-clock/kit.json")).exists();
    }
    try (BenchInTest bench = BenchInTest.open(home)) {
      assertThat(BenchInTest.on(() -> bench.session().shelf().size())).isEqualTo(3);
    }
  }

  @Test
  void aFileOfPartsAndAFileOfPlacesMakeABoard() throws Exception {
    Path parts = Files.writeString(home.resolve("parts.csv"), "Ref;Value\nR1;10k\nR2;abc\n");
    Path places = Files.writeString(home.resolve("places.csv"), "Ref,X,Y\nR1,10,10\n");
    try (BenchInTest bench = BenchInTest.open(home)) {
      toTheList(bench);
      paste(bench, Files.readString(parts));
      paste(bench, Files.readString(places));
      assertThat(bench.card().rows()).anySatisfy(row -> assertThat(row.text()).contains("abc"));
      takeAll(bench);
      assertThat(kit(bench).places()).hasSize(1);
      assertThat(kit(bench).boards()).hasSize(1);
      assertThat(kit(bench).lines())
          .extracting(line -> line.kind())
          .containsExactly(PartKind.RESISTOR, PartKind.OTHER);
      KitRead read =
          KitFolder.at(BenchInTest.on(() -> bench.session().open().orElseThrow().folder().path()))
              .read();
      assertThat(read).isInstanceOf(KitRead.Opened.class);
    }
  }

  private static void paste(BenchInTest bench, String text) {
    BenchInTest.on(() -> {
      ClipboardContent content = new ClipboardContent();
      content.putString(text);
      Clipboard.getSystemClipboard().setContent(content);
      bench
          .stage()
          .getScene()
          .getRoot()
          .fireEvent(
              new KeyEvent(KeyEvent.KEY_PRESSED, "v", "v", KeyCode.V, false, true, false, false));
      return true;
    });
  }

  @Test
  void aPastedSheetBecomesLines() throws Exception {
    try (BenchInTest bench = BenchInTest.open(home)) {
      toTheList(bench);
      paste(bench, "3 x 10k R1 R4 R9\n2 x 100n C1, C2\n");
      assertThat(bench.card().kicker()).contains("2 so far");
      assertThat(List.of(Files.readString(home.resolve("typed-list.txt")).split("\n"))).hasSize(2);
    }
  }
}
