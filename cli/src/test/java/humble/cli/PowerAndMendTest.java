package humble.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.offset;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

class PowerAndMendTest {
  @TempDir Path folder;
  private String kit = "";

  @BeforeEach
  void write() throws IOException {
    Files.writeString(
        folder.resolve("kit.json"),
        """
        {"format":"humble-kit/1","id":"lamp","name":"Harbour lamp","kind":"module",
         "boards":[{"id":"main","width_mm":60,"height_mm":40}],
         "lines":[
          {"id":"j","kind":"header","package":"header-1x2","refs":["J1"],"supplied":1},
          {"id":"f","kind":"fuse","package":"axial-quarter-watt","refs":["F1"],"supplied":1,"max_ma":18},
          {"id":"r1","kind":"resistor","value":"330","tolerance_pct":5,"bands":4,
           "package":"axial-quarter-watt","refs":["R1","R2"],"supplied":2},
          {"id":"led","kind":"led","package":"led-3","refs":["LED1","LED2"],"supplied":2}],
         "places":[
          {"ref":"J1","board":"main","side":"top","x_mm":5,"y_mm":20,"rotation_deg":0},
          {"ref":"F1","board":"main","side":"top","x_mm":15,"y_mm":30,"rotation_deg":0},
          {"ref":"R1","board":"main","side":"top","x_mm":30,"y_mm":30,"rotation_deg":0},
          {"ref":"R2","board":"main","side":"top","x_mm":30,"y_mm":10,"rotation_deg":0},
          {"ref":"LED1","board":"main","side":"top","x_mm":50,"y_mm":30,"rotation_deg":0},
          {"ref":"LED2","board":"main","side":"top","x_mm":50,"y_mm":10,"rotation_deg":0}],
         "nets":{"IN":["J1.1","F1.1"],"5V":["F1.2","R1.1","R2.1"],"A1":["R1.2","LED1.2"],
                 "A2":["R2.2","LED2.2"],"GND":["J1.2","LED1.1","LED2.1"]},
         "supplies":[{"id":"usb","volts":5,"limit_ma":500,"plus":"J1.1","minus":"J1.2"}],
         "states":[{"id":"on","title":"lit","supply":"usb"},{"id":"bare","absent":["LED1","LED2"],"supply":"usb"}],
         "faults":[{"id":"flat","title":"The power bank sleeps","prior":0.02,"seen":["dark:LED1"],
                    "predict":{"V(IN)":{"low":0,"high":0.2}},"try":"another supply","minutes":1}]}
        """);
    kit = folder.toString();
  }

  @Test
  void powerGivesTheDocumentedKeysForEveryStateWithASupply() {
    JsonNode answer = Ran.runJson("power", kit).json();
    assertThat(List.copyOf(answer.propertyNames()))
        .containsExactly("stages", "battery", "warnings");
    JsonNode on = answer.get("stages").get(0);
    assertThat(List.copyOf(on.propertyNames()))
        .startsWith("state", "expect_ma", "limit_ma", "rails", "hints");
    assertThat(answer.get("stages")).hasSize(2);
    double low = on.get("expect_ma").get("low").doubleValue();
    double high = on.get("expect_ma").get("high").doubleValue();
    // Two branches of 9.2 mA; a fuse of 18 mA in series holds the limit down.
    assertThat((low + high) / 2).isCloseTo(18.3, offset(0.3));
    assertThat(on.get("limit_ma").doubleValue()).isEqualTo(18);
    assertThat(on.get("rails").get(0).get("net").stringValue()).isEqualTo("IN");
    assertThat(answer.get("battery").get("hours").isNull()).isTrue();
    assertThat(on.get("hints").get(0).stringValue()).contains("limit light");
    assertThat(Ran.runJson("power", kit, "--state", "bare").json().get("stages")).hasSize(1);
    assertThat(Ran.run("power", kit, "--state", "none").status()).isEqualTo(2);
  }

  @Test
  void mendGivesTheDocumentedKeysAndFollowsTheReadings() {
    JsonNode first = Ran.runJson("mend", kit, "--state", "on", "--seen", "dark:LED1").json();
    assertThat(List.copyOf(first.propertyNames())).startsWith("suspects", "next", "done");
    assertThat(List.copyOf(first.get("next").propertyNames()))
        .containsExactly("measure", "minutes", "expected_gain_bits", "predict");
    assertThat(first.get("done").booleanValue()).isFalse();
    JsonNode open =
        Ran.runJson(
                "mend",
                kit,
                "--state",
                "on",
                "--seen",
                "dark:LED1",
                "--seen",
                "lit:LED2",
                "--reading",
                "V(A1)=0.00",
                "--reading",
                "V(R1.2)=4.99",
                "--reading",
                "I(usb)=9.2mA")
            .json();
    assertThat(open.get("suspects").get(0).get("fault").stringValue()).isEqualTo("open:R1.2");
    assertThat(open.get("suspects").get(0).get("belief").doubleValue()).isGreaterThan(0.95);
    assertThat(open.get("done").booleanValue()).isTrue();
    assertThat(open.get("next").isNull()).isTrue();
  }

  @Test
  void theKitsOwnFaultComesWithWhatToTry() {
    JsonNode answer =
        Ran.runJson("mend", kit, "--state", "on", "--seen", "dark:LED1", "--reading", "V(IN)=0.05")
            .json();
    JsonNode flat = null;
    for (JsonNode each : answer.get("suspects")) {
      flat = each.get("fault").stringValue().equals("kit:flat") ? each : flat;
    }
    assertThat(flat).isNotNull();
    assertThat(flat.get("try").stringValue()).isEqualTo("another supply");
  }

  @Test
  void everyProblemOfTheReadingsIsToldAtOnce() {
    Ran bad =
        Ran.run(
            "mend",
            kit,
            "--state",
            "on",
            "--reading",
            "V(NOWHERE)=1",
            "--reading",
            "V(5V)",
            "--seen",
            "pink:LED1",
            "--meter",
            "good");
    assertThat(bad.status()).isEqualTo(2);
    assertThat(bad.out()).isEmpty();
    assertThat(bad.err().lines()).hasSize(4);
  }

  /**
   * Whoever took the loud sounder has a link on the board and no resistor: that is reckoned with.
   */
  @Test
  void everyCommandThatReckonsWithABoardTakesWhatWasChosen() {
    String badge = Path.of(System.getProperty("humble.root", ".."), "kits", "glowmoth").toString();
    List<String> soft = onTheBoard(badge, "sounder=soft");
    List<String> loud = onTheBoard(badge, "sounder=loud");
    assertThat(soft).contains("R6").doesNotContain("JP1");
    assertThat(loud).contains("JP1").doesNotContain("R6");
    for (String command : List.of("circuit", "power", "mend", "ohms")) {
      List<String> words = new ArrayList<>(List.of(command, badge, "--choose", "sounder=shrill"));
      if (command.equals("ohms")) {
        words.addAll(List.of("3V3", "GND"));
      }
      words.addAll(List.of("--state", "idle"));
      Ran ran = Ran.run(words.toArray(String[]::new));
      assertThat(ran.status()).as(command).isEqualTo(2);
      assertThat(ran.err()).as(command).contains("option 'sounder' has no choice 'shrill'");
    }
  }

  private static List<String> onTheBoard(String badge, String choice) {
    return new ArrayList<>(
        Ran.runJson("circuit", badge, "--state", "idle", "--choose", choice)
            .json()
            .get("parts")
            .propertyNames());
  }

  @Test
  void whatIsNotUnderstoodIsToldWithWhatToWriteInstead() {
    assertThat(Ran.run("power", kit, "--state", "dusk").err()).contains("it has on, bare.");
    assertThat(Ran.run("mend", kit, "--state", "on", "--reading", "V(IN)").err())
        .contains("write V(NET)=3.3");
    assertThat(Ran.run("mend", kit, "--state", "on", "--seen", "blue:LED1").err())
        .contains("write lit, dim, dark");
    assertThat(Ran.run("circuit", kit, "--state", "on", "--fault", "burnt:R1").err())
        .contains("write open:R3.2");
  }

  @Test
  void theSameInputGivesTheSameBytes() {
    List<String> answers = new ArrayList<>();
    for (int i = 0; i < 2; i++) {
      answers.add(Ran.runJson("mend", kit, "--state", "on", "--seen", "dim:LED2").out());
    }
    assertThat(answers.get(0)).isEqualTo(answers.get(1));
  }
}
