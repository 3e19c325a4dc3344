package humble.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.build.Build;
import humble.core.build.BuildEvent;
import humble.desktop.session.Progress;
import humble.desktop.stage.Card;
import humble.desktop.stage.StageId;
import humble.desktop.stage.Standing;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.function.Predicate;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Each stage as a maker meets it, keys in and card out. */
class StagesTest {
  @TempDir Path home;

  private static Build build(BenchInTest bench) {
    return BenchInTest.on(() -> bench.session().open().orElseThrow().build());
  }

  private static boolean titled(BenchInTest bench, String text) {
    return bench.card().title().contains(text);
  }

  @Test
  void theShelfOffersTheKitAndBeginsIt() throws Exception {
    try (BenchInTest bench = BenchInTest.open(home)) {
      assertThat(bench.at()).isEqualTo(StageId.SHELF);
      assertThat(bench.card().title()).isEqualTo("Begin: Glowmoth lantern badge");
      bench.press(KeyCode.ENTER);
      assertThat(bench.at()).isEqualTo(StageId.UNPACK);
      assertThat(build(bench).began()).isPresent();
      bench.press(KeyCode.F1);
      assertThat(bench.card().title()).isEqualTo("Glowmoth lantern badge");
      bench.press(KeyCode.ADD);
      assertThat(bench.card().title()).startsWith("Begin:");
    }
  }

  @Test
  void countsAreTypedAndWhatIsShortIsSaid() throws Exception {
    try (BenchInTest bench = BenchInTest.open(home)) {
      bench.press(KeyCode.ENTER);
      bench.walkUntil(() -> titled(bench, "220 Ω"));
      bench.number("5");
      assertThat(bench.card().verdict().orElseThrow().text()).isEqualTo("1 short.");
      assertThat(bench.card().verdict().orElseThrow().good()).isFalse();
      bench.press(KeyCode.ENTER);
      assertThat(build(bench).counted()).containsEntry("r220", 5);
      bench.press(KeyCode.SUBTRACT);
      assertThat(build(bench).counted()).doesNotContainKey("r220");
      bench.number("7");
      assertThat(bench.card().verdict().orElseThrow().text()).contains("1 to spare");
      bench.press(KeyCode.ENTER);
      bench.number("0");
      bench.press(KeyCode.ENTER);
      assertThat(build(bench).counted()).containsEntry("r2k2", 0);
      bench.walkUntil(() -> titled(bench, "Something is short"));
      bench.waitFor(() -> bench.card().why().stream().anyMatch(line -> line.contains("R7")));
    }
  }

  @Test
  void aReadingThatCannotBeReadKeepsTheFieldAndNamesTheCharacter() throws Exception {
    try (BenchInTest bench = BenchInTest.open(home)) {
      bench.walkTo(StageId.SORT);
      bench.number("4..7");
      Card card = bench.card();
      assertThat(card.field().orElseThrow().typed()).isEqualTo("4..7");
      assertThat(card.verdict().orElseThrow().text()).contains("'.'").contains("character 3");
      assertThat(card.goEnabled()).isFalse();
      int before = build(bench).entries().size();
      bench.press(KeyCode.ENTER);
      assertThat(build(bench).entries()).hasSize(before);
      bench.press(KeyCode.BACK_SPACE, KeyCode.BACK_SPACE, KeyCode.BACK_SPACE);
      assertThat(bench.card().field().orElseThrow().typed()).isEqualTo("4");
    }
  }

  @Test
  void thePrefixIsGuessedAndPlusMovesIt() throws Exception {
    try (BenchInTest bench = BenchInTest.open(home)) {
      bench.walkTo(StageId.SORT);
      bench.number("221");
      bench.type("h");
      assertThat(bench.card().field().orElseThrow().typed()).as("H unfolds").isEqualTo("221");
      assertThat(bench.card().field().orElseThrow().unit()).isEqualTo("Ω");
      assertThat(bench.card().verdict().orElseThrow().text()).contains("220 Ω").contains("R1");
      bench.press(KeyCode.ESCAPE, KeyCode.ADD);
      bench.number("11.02");
      assertThat(bench.card().field().orElseThrow().unit()).isEqualTo("kΩ");
      assertThat(bench.card().verdict().orElseThrow().text()).contains("11 kΩ");
      bench.press(KeyCode.ENTER);
      assertThat(build(bench).measured()).containsOnlyKeys("r11k");
      bench.number("470");
      assertThat(bench.card().verdict().orElseThrow().good()).isFalse();
      assertThat(bench.card().goEnabled()).isFalse();
    }
  }

  @Test
  void bandsAreTypedByLettersAndReadFromBothEnds() throws Exception {
    try (BenchInTest bench = BenchInTest.open(home)) {
      bench.walkTo(StageId.SORT);
      bench.type("rdrdbn");
      assertThat(bench.card().field().orElseThrow().typed()).isEqualTo("rdrdbn");
      bench.type("gd");
      assertThat(bench.card().verdict().orElseThrow().text()).contains("220 Ω");
      assertThat(bench.card().verdict().orElseThrow().text()).contains("measure it");
      bench.press(KeyCode.ENTER);
      assertThat(build(bench).bandsRead()).as("it passes for 2.2 kΩ").isEmpty();
      bench.press(KeyCode.ESCAPE);
      bench.type("rdrdrdgd");
      bench.press(KeyCode.ENTER);
      assertThat(build(bench).bandsRead()).containsExactly("r2k2");
      bench.type("wh");
      assertThat(bench.card().field().orElseThrow().typed()).as("a white band").isEqualTo("wh");
      bench.press(KeyCode.ESCAPE);
      bench.type("rdxx");
      assertThat(bench.card().verdict().orElseThrow().text()).contains("xx");
      assertThat(bench.card().goEnabled()).isFalse();
      bench.press(KeyCode.ESCAPE);
      bench.type("gygybngd");
      assertThat(bench.card().verdict().orElseThrow().text()).contains("no line");
    }
  }

  @Test
  void twoDifferentMarksAreLookedAtBeforeWhatCanBurstIsDone() throws Exception {
    try (BenchInTest bench = BenchInTest.open(home)) {
      bench.walkUntil(() -> titled(bench, "Fit C1"));
      assertThat(bench.card().caution().orElseThrow().grave()).isTrue();
      assertThat(bench.card().caution().orElseThrow().text()).contains("burst");
      assertThat(bench.card().goEnabled()).isFalse();
      bench.press(KeyCode.ENTER);
      assertThat(build(bench).fittedRefs()).doesNotContain("C1");
      bench.number("1");
      bench.number("1");
      assertThat(bench.card().goEnabled()).as("the same mark twice is one mark").isFalse();
      assertThat(bench.card().rows().get(1).standing()).isEqualTo(Standing.DONE);
      bench.number("3");
      assertThat(bench.card().goEnabled()).isTrue();
      bench.press(KeyCode.ENTER);
      assertThat(build(bench).fittedRefs()).contains("C1");
    }
  }

  @Test
  void turningTheBoardTurnsWhatIsSaid() throws Exception {
    try (BenchInTest bench = BenchInTest.open(home)) {
      bench.walkUntil(() -> titled(bench, "Fit D1"));
      List<String> before = bench.card().how();
      bench.type("t");
      assertThat(bench.card().how()).isNotEqualTo(before);
      assertThat(build(bench).view("main").orElseThrow().turnDeg()).isEqualTo(90);
      bench.type("f");
      assertThat(build(bench).view("main").orElseThrow().side()).isEqualTo("bottom");
      bench.press(KeyCode.SUBTRACT, KeyCode.SUBTRACT);
      assertThat(bench.card().how()).isEqualTo(before);
    }
  }

  /** The bench says once what gives its power; then ohms come before power. */
  private static void toOhms(BenchInTest bench) {
    bench.waitFor(() -> bench.card().title().equals("What gives the power?"));
    assertThat(bench.card().goEnabled()).as("nothing is taken for granted").isFalse();
    bench.press(KeyCode.NUMPAD1);
    bench.waitFor(() -> bench.card().title().startsWith("Ohms"));
  }

  @Test
  void aGateOpensForARightReadingOnly() throws Exception {
    try (BenchInTest bench = BenchInTest.open(home)) {
      bench.walkTo(StageId.POWER);
      toOhms(bench);
      assertThat(bench.card().caution().orElseThrow().grave()).isTrue();
      bench.number("12");
      assertThat(bench.card().verdict().orElseThrow().good()).as("a bridge").isFalse();
      bench.press(KeyCode.BACK_SPACE, KeyCode.BACK_SPACE);
      bench.number("00");
      assertThat(bench.card().verdict().orElseThrow().good()).as("open").isTrue();
      bench.press(KeyCode.ENTER);
      assertThat(bench.card().title()).startsWith("Measure across");
      bench.number("1.1");
      assertThat(bench.card().verdict().orElseThrow().good()).isFalse();
      bench.press(KeyCode.ENTER);
      assertThat(build(bench).gateReadings().get("rail33").verdict()).isEqualTo("outside");
      assertThat(build(bench).passedGates()).isEmpty();
      bench.press(KeyCode.SUBTRACT);
      assertThat(bench.card().field().orElseThrow().typed()).as("a sign may lead").isEqualTo("-");
      bench.press(KeyCode.BACK_SPACE);
      bench.number("3.31");
      assertThat(bench.card().verdict().orElseThrow().good()).isTrue();
      bench.press(KeyCode.ENTER);
      assertThat(build(bench).passedGates()).containsEntry("rail33", 3.31);
      assertThat(build(bench).gateReadings().get("rail33").practice()).isFalse();
    }
  }

  @Test
  void aGateIsPassedWithoutItsReadingOnlyWithAReasonThatStandsInTheLog() throws Exception {
    try (BenchInTest bench = BenchInTest.open(home)) {
      bench.walkTo(StageId.POWER);
      toOhms(bench);
      bench.press(KeyCode.ADD);
      assertThat(bench.card().goEnabled()).as("no reason yet").isFalse();
      bench.press(KeyCode.ENTER);
      assertThat(build(bench).overriddenGates()).isEmpty();
      bench.number("1");
      bench.press(KeyCode.ENTER);
      assertThat(build(bench).overriddenGates().get("rail33")).contains("another meter");
      assertThat(build(bench).passedGates()).isEmpty();
      assertThat(build(bench).gateOpen("rail33")).isTrue();
      bench.press(KeyCode.F6, KeyCode.ADD);
      assertThat(bench.card().rows()).anyMatch(row -> row.text().contains("without its reading"));
    }
  }

  @Test
  void aHiddenFaultIsFoundByKeypadAndItsEndStandsInTheLog() throws Exception {
    try (BenchInTest bench = BenchInTest.open(home)) {
      bench.press(KeyCode.ENTER);
      bench.press(KeyCode.DIVIDE);
      bench.press(KeyCode.ADD);
      assertThat(bench.card().why()).anyMatch(line -> line.contains("easy fault"));
      bench.number("3");
      bench.waitFor(() -> bench.card().goEnabled());
      for (int i = 0; i < 40 && !bench.card().title().equals("Written down"); i++) {
        bench.waitFor(() -> bench.card().goEnabled());
        bench.press(KeyCode.ENTER);
      }
      assertThat(bench.card().how().getFirst()).contains("The advice takes");
      assertThat(build(bench).mended()).hasSize(1);
      assertThat(build(bench).mended().getFirst().practice()).isTrue();
      assertThat(build(bench).hidden()).isEmpty();
      bench.press(KeyCode.ENTER);
      assertThat(bench.at()).isEqualTo(StageId.UNPACK);
    }
  }

  @Test
  void whatIsHiddenIsOnTheBenchInEveryStageUntilItIsShown() throws Exception {
    try (BenchInTest bench = BenchInTest.open(home)) {
      bench.press(KeyCode.ENTER);
      String fault = "short:J1.1-J1.4";
      BenchInTest.on(() -> {
        bench.window().build().orElseThrow().act(new BuildEvent.FaultHidden("lamp1", 1, fault, 2));
        return true;
      });
      bench.walkTo(StageId.POWER);
      toOhms(bench);
      bench.press(KeyCode.ENTER);
      assertThat(bench.card().title()).as("a short between the rails").startsWith("How does");
      assertThat(bench.card().why()).anyMatch(line -> line.contains("An easy fault is on"));
      bench.press(KeyCode.ADD);
      assertThat(bench.card().how().getFirst()).contains("J1");
      assertThat(build(bench).hidden()).isEmpty();
      assertThat(build(bench).mended().getFirst().practice()).isTrue();
      bench.press(KeyCode.ENTER);
      assertThat(bench.at()).isEqualTo(StageId.POWER);
    }
  }

  private static void pick(BenchInTest bench, String spot) {
    BenchInTest.on(() -> {
      bench.window().pick(spot);
      return true;
    });
  }

  private static void mendLit(BenchInTest bench) throws Exception {
    bench.press(KeyCode.ENTER);
    bench.press(KeyCode.DIVIDE);
    bench.number("3");
    bench.waitFor(() -> bench.card().goEnabled());
  }

  @Test
  void theDialOfTheMeterTurnsToOhmsDiodesAndContinuity() throws Exception {
    try (BenchInTest bench = BenchInTest.open(home)) {
      mendLit(bench);
      bench.type("d");
      pick(bench, "pad:R1.1");
      assertThat(bench.card().title()).contains("ohms").contains("R1.1");
      pick(bench, "pad:R1.2");
      assertThat(bench.card().title()).startsWith("Measure ohms from");
      bench.press(KeyCode.ENTER);
      assertThat(build(bench).observed("lamp1").getFirst()).startsWith("R(");
      bench.waitFor(() -> bench.card().goEnabled());
      bench.type("dd");
      pick(bench, "pad:D1.2");
      pick(bench, "pad:D1.1");
      assertThat(bench.card().verdict().orElseThrow().text()).contains("shows").contains("mV");
      bench.type("d");
      pick(bench, "pad:C1.1");
      pick(bench, "pad:C1.2");
      assertThat(bench.card().verdict().orElseThrow().text()).contains("silent");
      pick(bench, "pad:C1.1");
      pick(bench, "pad:C1.1");
      assertThat(bench.card().verdict().orElseThrow().text()).contains("Both pads");
      bench.press(KeyCode.ENTER);
      assertThat(bench.card().title()).doesNotContain("continuity");
      assertThat(build(bench).observed("lamp1")).hasSize(1);
    }
  }

  @Test
  void aBoardThatReadsAsDesignedIsTriedInAnotherState() throws Exception {
    try (BenchInTest bench = BenchInTest.open(home)) {
      bench.press(KeyCode.ENTER);
      bench.press(KeyCode.DIVIDE);
      bench.number("1");
      for (int i = 0; i < 60 && !bench.card().title().equals("What was read is as designed"); i++) {
        bench.waitFor(() -> bench.card().goEnabled());
        bench.press(KeyCode.ENTER);
        bench.waitFor(() -> bench.card().goEnabled());
      }
      assertThat(bench.card().title()).isEqualTo("What was read is as designed");
      assertThat(bench.card().how().getFirst()).contains("faults would show in nothing");
      String kicker = bench.card().kicker();
      bench.press(KeyCode.ENTER);
      bench.waitFor(() -> bench.card().goEnabled());
      assertThat(bench.card().kicker()).isNotEqualTo(kicker).contains("nothing read yet");
      assertThat(build(bench).mended()).isEmpty();
    }
  }

  @Test
  void whereNoSingleFaultExplainsTheReadingsTwoAreNamed() throws Exception {
    try (BenchInTest bench = BenchInTest.open(home)) {
      bench.press(KeyCode.ENTER);
      BenchInTest.on(() -> {
        for (String what : List.of("dark:LED1", "V(REF)=0.000", "I(usb)=22.2m", "V(L3)=1.65")) {
          bench.window().build().orElseThrow().act(new BuildEvent.Observed("lamp1", what, false));
        }
        return true;
      });
      bench.press(KeyCode.DIVIDE);
      bench.number("3");
      bench.waitFor(
          () -> bench.card().why().stream().anyMatch(line -> line.startsWith("Two at once")));
      assertThat(bench.card().verdict().orElseThrow().text()).contains("No single fault");
      bench.press(KeyCode.DIVIDE);
      assertThat(bench.card().rows().getFirst().text()).contains("LED1").contains(", and ");
      bench.number("1");
      BuildEvent.Mended mended = build(bench).mended().getFirst();
      assertThat(mended.fault()).contains("LED1").contains(" + ");
      assertThat(mended.practice()).isFalse();
      assertThat(bench.card().how().getFirst()).contains(", and ");
    }
  }

  @Test
  void aKeypadHasNoLettersSoThePrefixIsGuessedAndPlusMovesIt() throws Exception {
    try (BenchInTest bench = BenchInTest.open(home)) {
      mendLit(bench);
      bench.type("d");
      pick(bench, "pad:R1.1");
      pick(bench, "pad:R1.2");
      bench.waitFor(() -> bench.card().why().stream().anyMatch(line -> line.contains("worth")));
      String expected = bench.card().field().orElseThrow().unit();
      bench.number("12");
      bench.press(KeyCode.ADD);
      String next = bench.card().field().orElseThrow().unit();
      assertThat(next).isNotEqualTo(expected).endsWith("Ω");
      assertThat(bench.card().go()).contains("12 " + next);
      bench.press(KeyCode.ENTER);
      assertThat(build(bench).observed("lamp1").getFirst())
          .startsWith("R(")
          .endsWith("=12" + next.replace("Ω", ""));
    }
  }

  @Test
  void takingBackInMendTakesTheLastReadingAndStays() throws Exception {
    try (BenchInTest bench = BenchInTest.open(home)) {
      mendLit(bench);
      bench.press(KeyCode.ENTER);
      bench.waitFor(() -> bench.card().goEnabled());
      assertThat(build(bench).observed("lamp1")).hasSize(1);
      String kicker = bench.card().kicker();
      assertThat(kicker).contains("one reading");
      bench.press(KeyCode.BACK_SPACE);
      bench.waitFor(() -> bench.card().goEnabled());
      assertThat(build(bench).observed("lamp1")).isEmpty();
      assertThat(bench.card().kicker()).contains("nothing read yet");
      bench.press(KeyCode.ADD);
      bench.waitFor(() -> bench.card().goEnabled());
      assertThat(bench.card().title()).as("out of reach").doesNotContain("supply");
      bench.press(KeyCode.ESCAPE);
      assertThat(bench.at()).isEqualTo(StageId.UNPACK);
    }
  }

  @Test
  void aBridgeBeforePowerLeadsToMendWithTheReadingInHand() throws Exception {
    try (BenchInTest bench = BenchInTest.open(home)) {
      bench.walkTo(StageId.POWER);
      toOhms(bench);
      bench.number("2");
      bench.press(KeyCode.ENTER);
      assertThat(bench.card().title()).startsWith("How does the board stand");
      bench.press(KeyCode.ENTER);
      bench.waitFor(() -> bench.card().goEnabled());
      assertThat(bench.card().kicker()).contains("one reading");
      bench.press(KeyCode.ESCAPE);
      assertThat(bench.card().title()).as("not powered meanwhile").startsWith("Ohms");
    }
  }

  @Test
  void symptomsAndOwnMeasurementsComeByClickingOnTheBoard() throws Exception {
    try (BenchInTest bench = BenchInTest.open(home)) {
      mendLit(bench);
      pick(bench, "part:LED5");
      assertThat(bench.card().title()).contains("LED5");
      bench.number("3");
      assertThat(build(bench).observed("lamp1")).containsExactly("dark:LED5");
      bench.waitFor(() -> bench.card().goEnabled());
      pick(bench, "pad:D1.1");
      assertThat(bench.card().title()).contains("D1");
      bench.number("0.02");
      bench.press(KeyCode.ENTER);
      assertThat(build(bench).observed("lamp1")).contains("V(D1.1)=0.02");
      bench.waitFor(() -> bench.card().goEnabled());
      bench.press(KeyCode.DIVIDE);
      assertThat(bench.card().title()).isEqualTo("What was it?");
      bench.number("1");
      assertThat(build(bench).mended().getFirst().practice()).isFalse();
      assertThat(build(bench).mended().getFirst().measurements()).isEqualTo(2);
    }
  }

  @Test
  void theMeterOfThePracticeBenchReadsOnlyWhileItIsOn() throws Exception {
    try (BenchInTest bench = BenchInTest.open(home)) {
      bench.walkTo(StageId.POWER);
      toOhms(bench);
      bench.press(KeyCode.ENTER);
      assertThat(build(bench).observed("sockets-empty"))
          .singleElement()
          .asString()
          .matches("R\\(VBUS,GND\\)=5[0-9.]+k?[0-9]*");
      BenchInTest.on(() -> {
        ((javafx.scene.control.Button) bench.stage().getScene().lookup("#practice")).fire();
        return true;
      });
      assertThat(bench.card().goEnabled()).isFalse();
      BenchInTest.on(() -> {
        ((javafx.scene.control.Button) bench.stage().getScene().lookup("#practice")).fire();
        return true;
      });
      bench.press(KeyCode.ENTER);
      assertThat(bench.card().field().orElseThrow().typed()).startsWith("3.");
      bench.press(KeyCode.ENTER);
      assertThat(build(bench).gateReadings().get("rail33").practice()).isTrue();
    }
  }

  @Test
  void darkLightsAreTypedTakenBackAndExplained() throws Exception {
    try (BenchInTest bench = BenchInTest.open(home)) {
      bench.walkTo(StageId.WAKE);
      bench.press(KeyCode.ENTER);
      bench.waitFor(() -> bench.card().field().isPresent());
      bench.number("7");
      bench.press(KeyCode.ENTER);
      assertThat(bench.card().rows().getFirst().text())
          .contains("joint open at LED7.1 or joint open at LED7.2 or light 7 dead");
      assertThat(bench.card().go()).startsWith("Write down 1, mend");
      bench.number("99");
      assertThat(bench.card().verdict().orElseThrow().text()).contains("no such light");
      bench.press(KeyCode.ESCAPE);
      bench.press(KeyCode.ENTER);
      assertThat(build(bench).facts("lamps")).containsEntry("dark", "7");
      assertThat(build(bench).awake()).doesNotContain("lamps");
    }
  }

  @Test
  void aRemarkAndATroubleAreKept() throws Exception {
    try (BenchInTest bench = BenchInTest.open(home)) {
      bench.press(KeyCode.ENTER);
      bench.press(KeyCode.MULTIPLY);
      bench.type("bag 2 was open, 5 + 1");
      bench.press(KeyCode.ENTER);
      bench.press(KeyCode.DIVIDE);
      assertThat(build(bench).entries().stream().map(BuildEvent.Entry::event))
          .contains(new BuildEvent.Noted("Unpack", "bag 2 was open, 5 + 1"))
          .anyMatch(e -> e instanceof BuildEvent.Wrong wrong && wrong.stage().equals("Unpack"));
      assertThat(bench.card().title()).startsWith("How does the board stand");
      bench.press(KeyCode.ESCAPE);
      bench.press(KeyCode.MULTIPLY, KeyCode.ESCAPE);
      assertThat(bench.card().title()).startsWith("How many");
    }
  }

  /** Closed anywhere, it opens where it was: same stage, same thing to do. */
  @Test
  void theWindowOpensWhereItWasLeft() throws Exception {
    List<Predicate<BenchInTest>> places =
        List.of(
            b -> titled(b, "2.2 kΩ"),
            b -> b.at() == StageId.SORT && titled(b, "bn-bn-bk"),
            b -> b.at() == StageId.PLAN && b.card().goEnabled(),
            b -> titled(b, "Fit U2"),
            b -> b.at() == StageId.POWER && b.card().field().isPresent(),
            b -> titled(b, "Fit DISP1"),
            b -> b.at() == StageId.LOAD && b.card().goEnabled(),
            b -> b.at() == StageId.WAKE && titled(b, "Show the figure"),
            b -> b.at() == StageId.CLOSE && titled(b, "screws M2.5"),
            b -> b.at() == StageId.BOOK);
    BenchInTest bench = BenchInTest.open(home);
    for (Predicate<BenchInTest> place : places) {
      BenchInTest now = bench;
      now.walkUntil(() -> place.test(now));
      StageId stage = now.at();
      String title = now.card().title();
      now.close();
      bench = BenchInTest.again(home);
      BenchInTest again = bench;
      again.waitFor(() -> !again.card().title().startsWith("Working it out"));
      if (stage != again.at()) {
        // What is planned again in the background decides between Fit and Power.
        again.press(KeyCode.valueOf("F" + (stage.ordinal() + 1)));
      }
      assertThat(again.at()).isEqualTo(stage);
      again.waitFor(() -> again.card().title().equals(title));
    }
    bench.close();
  }

  /** Backspace in an empty field takes back everywhere, all the way to the beginning. */
  @Test
  void takeBackWorksFromTheEndToTheBeginning() throws Exception {
    try (BenchInTest bench = BenchInTest.open(home)) {
      bench.walkUntil(bench::over);
      int before = build(bench).entries().size();
      int taken = 0;
      while (build(bench).lastToTakeBack().isPresent() && taken <= before) {
        int left = build(bench).inForce().size();
        bench.press(KeyCode.BACK_SPACE);
        assertThat(build(bench).inForce()).hasSize(left - 1);
        taken++;
      }
      assertThat(build(bench).inForce()).hasSize(1);
      assertThat(build(bench).entries()).hasSize(before + taken);
      for (StageId stage : StageId.values()) {
        if (stage != StageId.SHELF) {
          double share =
              BenchInTest.on(() -> Progress.share(bench.session().open().orElseThrow(), stage));
          assertThat(share).as(stage.toString()).isZero();
        }
      }
    }
  }

  @Test
  void aBrokenKitShowsItsProblemsOpensNothingAndChangesNothing() throws Exception {
    Path kit = Files.createDirectory(home.resolve("kit"));
    String json =
        Files.readString(BenchInTest.glowmoth().resolve("kit.json"))
            .replace("\"mount\": \"socketed\"", "\"mount\": \"glued\"")
            .replace("\"x_mm\": 30,", "\"x_mm\": \"thirty\",");
    Files.writeString(kit.resolve("kit.json"), json);
    try (BenchInTest bench = BenchInTest.open(home.resolve("bench"), List.of(kit), 1280, 800)) {
      Card card = bench.card();
      assertThat(card.verdict().orElseThrow().text()).contains("3 problems");
      assertThat(card.rows())
          .anySatisfy(
              row -> assertThat(row.text()).contains("kit.json#/places/").contains("glued"));
      assertThat(card.goEnabled()).isFalse();
      bench.press(KeyCode.ENTER, KeyCode.F5);
      assertThat(bench.at()).isEqualTo(StageId.SHELF);
      assertThat(BenchInTest.on(() -> bench.session().open())).isEmpty();
    }
    assertThat(kit.resolve("kit.json")).hasContent(json);
    try (var files = Files.list(kit)) {
      assertThat(files).hasSize(1);
    }
  }

  @Test
  void aCautionThatSaysStopIsAcknowledgedFirst() throws Exception {
    Path kit = Files.createDirectory(home.resolve("kit"));
    Files.copy(BenchInTest.glowmoth().resolve("lamp.hex"), kit.resolve("lamp.hex"));
    Files.writeString(
        kit.resolve("kit.json"),
        Files.readString(BenchInTest.glowmoth().resolve("kit.json"))
            .replace(
                "\"cautions\": [",
                "\"cautions\": [{\"at\": \"look\", \"level\": \"stop\", \"text\": \"Mains behind this lid.\"},"));
    try (BenchInTest bench = BenchInTest.open(home.resolve("bench"), List.of(kit), 1280, 800)) {
      bench.walkUntil(() -> titled(bench, "Before you go on"));
      assertThat(bench.card().caution().orElseThrow().text()).isEqualTo("Mains behind this lid.");
      assertThat(bench.card().go()).isEqualTo("I have read this");
      assertThat(bench.card().how().getFirst()).contains("licensed practice");
      bench.press(KeyCode.ENTER);
      assertThat(build(bench).acknowledged()).as("not without a reason").isEmpty();
      bench.press(KeyCode.NUMPAD2);
      assertThat(build(bench).acknowledged()).containsExactly("look");
      assertThat(build(bench).acknowledgedWhy().get("look")).contains("looks at it first");
      assertThat(build(bench).doneSteps()).doesNotContain("look");
      bench.press(KeyCode.ENTER);
      assertThat(build(bench).doneSteps()).contains("look");
    }
  }

  @Test
  void aCutOffProgramNamesTheLineAndIsNotSent() throws Exception {
    Path kit = Files.createDirectory(home.resolve("kit"));
    String hex = Files.readString(BenchInTest.glowmoth().resolve("lamp.hex"));
    Files.writeString(kit.resolve("lamp.hex"), hex.substring(0, hex.length() / 2 + 5));
    Files.copy(BenchInTest.glowmoth().resolve("kit.json"), kit.resolve("kit.json"));
    int line = (int) hex.substring(0, hex.length() / 2 + 5).lines().count();
    try (BenchInTest bench = BenchInTest.open(home.resolve("bench"), List.of(kit), 1280, 800)) {
      bench.walkTo(StageId.LOAD);
      bench.waitFor(() -> bench.card().verdict().isPresent());
      Card card = bench.card();
      assertThat(card.goEnabled()).isFalse();
      assertThat(card.verdict().orElseThrow().text() + card.rows() + card.how())
          .contains("lamp.hex#" + line);
    }
  }

  @Test
  void aProgramThatIsNotTheKitsOwnIsSaidSo() throws Exception {
    Path kit = Files.createDirectory(home.resolve("kit"));
    Files.writeString(kit.resolve("lamp.hex"), ":020000000C94" + "5E" + "\n:00000001FF\n");
    Files.copy(BenchInTest.glowmoth().resolve("kit.json"), kit.resolve("kit.json"));
    try (BenchInTest bench = BenchInTest.open(home.resolve("bench"), List.of(kit), 1280, 800)) {
      bench.walkTo(StageId.LOAD);
      bench.waitFor(() -> bench.card().verdict().isPresent());
      assertThat(bench.card().goEnabled()).isFalse();
      assertThat(bench.card().verdict().orElseThrow().text()).contains("another program");
      assertThat(bench.card().rows().getFirst().text()).contains("hash differs");
    }
  }

  @Test
  void theShelfLaysAnotherBuildAndPutsTheFirstAway() throws Exception {
    try (BenchInTest bench = BenchInTest.open(home)) {
      bench.press(KeyCode.ENTER, KeyCode.ENTER, KeyCode.F1, KeyCode.ADD, KeyCode.ENTER);
      assertThat(build(bench).id()).isEqualTo("glowmoth-2");
      assertThat(build(bench).counted()).isEmpty();
      bench.press(KeyCode.F1, KeyCode.ADD, KeyCode.ENTER);
      assertThat(build(bench).id()).isEqualTo("glowmoth-1");
      assertThat(build(bench).counted()).hasSize(1);
    }
  }

  @Test
  void withoutThePracticeBenchALoadIsTheMakersOwnWordAndNotVerified() throws Exception {
    try (BenchInTest bench = BenchInTest.open(home)) {
      bench.walkTo(StageId.LOAD);
      BenchInTest.on(() -> {
        ((javafx.scene.control.Button) bench.stage().getScene().lookup("#practice")).fire();
        return true;
      });
      bench.waitFor(() -> bench.card().goEnabled());
      assertThat(bench.card().go()).isEqualTo("I loaded it myself");
      bench.press(KeyCode.ENTER);
      assertThat(build(bench).loaded().get("lamp").verified()).isFalse();
      assertThat(build(bench).loaded().get("lamp").practice()).isFalse();
    }
  }

  @Test
  void themesAndSizesChangeWithoutLosingThePlace() throws Exception {
    try (BenchInTest bench = BenchInTest.open(home)) {
      bench.walkUntil(() -> titled(bench, "Fit U2"));
      BenchInTest.on(() -> {
        ((javafx.scene.control.Button) bench.stage().getScene().lookup("#night")).fire();
        return true;
      });
      assertThat(BenchInTest.on(() -> bench.window().root().getStylesheets().getFirst()))
          .contains("night");
      BenchInTest.on(() -> {
        bench
            .window()
            .root()
            .getScene()
            .getRoot()
            .fireEvent(
                new javafx.scene.input.KeyEvent(
                    javafx.scene.input.KeyEvent.KEY_PRESSED,
                    "",
                    "",
                    KeyCode.PLUS,
                    false,
                    true,
                    false,
                    false));
        return true;
      });
      assertThat(BenchInTest.on(() -> bench.window().root().getStyle())).contains("17.6px");
      assertThat(bench.card().title()).startsWith("Fit U2");
    }
  }

  @Test
  void onlyTheFewThatLookAlikeGoOnTheMeter() throws Exception {
    try (BenchInTest bench = BenchInTest.open(home)) {
      bench.walkTo(StageId.SORT);
      assertThat(bench.card().title()).startsWith("Measure the rd-rd-bn");
      bench.press(KeyCode.ENTER, KeyCode.ENTER);
      assertThat(bench.card().title()).startsWith("Measure the bn-bk-bk-rd");
      bench.press(KeyCode.ENTER, KeyCode.ENTER);
      assertThat(bench.card().title()).startsWith("Read the");
      assertThat(bench.card().how().getFirst()).contains("has been measured");
      bench.press(KeyCode.ENTER);
      assertThat(build(bench).measured()).hasSize(2);
      assertThat(build(bench).bandsRead()).hasSize(1);
    }
  }

  @Test
  void aStepIsLiftedAndSetDownAndAHardFactRefusesIt() throws Exception {
    try (BenchInTest bench = BenchInTest.open(home)) {
      bench.walkTo(StageId.PLAN);
      bench.waitFor(() -> bench.card().rows().size() == 4);
      List<String> before = planned(bench);
      BenchInTest.on(() -> {
        bench.window().drag("step:fit:R12", "step:fit:R7");
        return true;
      });
      bench.waitFor(() -> bench.card().verdict().isPresent());
      assertThat(bench.card().verdict().orElseThrow().text()).contains("R12 now stands before R7");
      bench.waitFor(() -> !planned(bench).isEmpty() && !planned(bench).equals(before));
      assertThat(planned(bench).indexOf("fit:R12")).isEqualTo(planned(bench).indexOf("fit:R7") - 1);
      int acts = build(bench).entries().size();
      BenchInTest.on(() -> {
        bench.window().drag("step:insert:U1", "step:fit:SK1");
        return true;
      });
      assertThat(bench.card().verdict().orElseThrow().good()).isFalse();
      assertThat(bench.card().verdict().orElseThrow().text()).startsWith("It cannot stand there.");
      assertThat(build(bench).entries()).hasSize(acts);
      bench.number("6");
      bench.number("5");
      assertThat(bench.card().verdict().orElseThrow().text()).contains("is lifted");
    }
  }

  private static List<String> planned(BenchInTest bench) {
    return BenchInTest.on(() ->
        bench.session().open().orElseThrow().plan().stream()
            .flatMap(plan -> plan.steps().stream())
            .map(step -> step.id())
            .toList());
  }

  @Test
  void bandsAreEnteredByClickingAndDrawnAsTheyAreEntered() throws Exception {
    try (BenchInTest bench = BenchInTest.open(home)) {
      bench.walkTo(StageId.SORT);
      for (String band : List.of("rd", "rd", "bn", "gd")) {
        BenchInTest.on(() -> {
          bench.window().pick("band:" + band);
          return true;
        });
      }
      assertThat(bench.card().field().orElseThrow().typed()).isEqualTo("rdrdbngd");
      assertThat(bench.card().how().toString()).contains("220 Ω");
    }
  }

  @Test
  void theMeterIsSaidOnceAndFiveReadingsOffTheSameWayAccuseIt() throws Exception {
    try (BenchInTest bench = BenchInTest.open(home)) {
      bench.walkTo(StageId.SORT);
      bench.type("m");
      assertThat(build(bench).meter()).contains("pocket");
      bench.type("m");
      assertThat(build(bench).meter()).contains("bench");
      BenchInTest.on(() -> {
        var open = bench.session().open().orElseThrow();
        for (String line : List.of("r220", "r2k2", "r220", "r2k2", "r220")) {
          double nominal = line.equals("r220") ? 220 : 2200;
          open.act(new BuildEvent.Measured(line, nominal * 1.04, "inside"));
        }
        bench.window().refresh();
        return true;
      });
      assertThat(bench.card().caution().orElseThrow().text()).contains("4 % high");
    }
    try (BenchInTest bench = BenchInTest.open(home)) {
      while (!bench.card().title().startsWith("Begin:")) {
        bench.press(KeyCode.ADD);
      }
      bench.press(KeyCode.ENTER);
      assertThat(build(bench).meter()).as("the bench keeps its meter").contains("bench");
      bench.press(KeyCode.SUBTRACT);
      assertThat(build(bench).meter()).contains("bench");
    }
  }

  @Test
  void aPadThatIsClickedLightsItsNetAndTheKeyGoesThroughThem() throws Exception {
    try (BenchInTest bench = BenchInTest.open(home)) {
      bench.walkTo(StageId.FIT);
      bench.walkUntil(() -> titled(bench, "Fit C1"));
      BenchInTest.on(() -> {
        bench.window().pick("pad:SK1.10");
        return true;
      });
      assertThat(bench.card().verdict().orElseThrow().text()).startsWith("Net ");
      assertThat(bench.card().rows().toString()).contains("U1 pin 10: its supply, plus");
      BenchInTest.on(() -> {
        bench.window().pick("pad:SK1.10");
        return true;
      });
      assertThat(bench.card().verdict()).isEmpty();
      bench.type("n");
      assertThat(bench.card().rows().toString()).contains("C1: plus");
      bench.type("nn");
      assertThat(bench.card().verdict()).isEmpty();
    }
  }

  @Test
  void theSchoolsAreComparedAndPlusGoesThroughThem() throws Exception {
    try (BenchInTest bench = BenchInTest.open(home)) {
      bench.walkTo(StageId.PLAN);
      bench.waitFor(() -> bench.card().rows().size() == 4);
      bench.press(KeyCode.ADD, KeyCode.ADD);
      assertThat(bench.card().title()).isEqualTo("The kit's own sheet");
      assertThat(bench.card().why().toString()).contains("Look the bare board over");
      bench.press(KeyCode.ADD);
      assertThat(bench.card().title()).isEqualTo("Block by block");
      bench.press(KeyCode.ENTER);
      assertThat(build(bench).school()).contains("blocks");
    }
  }

  @Test
  void lampAndEyesAreSaidOnceAndKeptInTheJournal() throws Exception {
    try (BenchInTest bench = BenchInTest.open(home)) {
      bench.walkTo(StageId.SORT);
      assertThat(bench.card().hints())
          .extracting(Card.Key::text)
          .contains("daylight", "usual eyes");
      bench.type("l");
      bench.type("e");
      assertThat(build(bench).sees()).contains(new BuildEvent.Sees("warm", "protan"));
      assertThat(bench.card().hints())
          .extracting(Card.Key::text)
          .contains("warm lamp", "red-weak eyes");
    }
    try (BenchInTest again = BenchInTest.again(home)) {
      assertThat(again.card().hints())
          .extracting(Card.Key::text)
          .contains("warm lamp", "red-weak eyes");
      again.press(KeyCode.SUBTRACT, KeyCode.SUBTRACT);
      assertThat(build(again).sees()).isEmpty();
    }
  }
}
