package humble.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.offset;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

class CraftCommandsTest {
  private static final String KIT =
      Path.of(System.getProperty("humble.root", ".."), "kits", "lockkeeper").toString();

  private static JsonNode json(String... arguments) {
    return Ran.runJson(arguments).json();
  }

  @Test
  void windGivesTheDocumentedKeysAndTheFormulasOfTheKitFormat() {
    JsonNode answer = json("wind", KIT, "choke");
    assertThat(List.copyOf(answer.propertyNames()))
        .containsExactly("turns", "wire_mm", "inductance_h", "layers", "fits", "sense", "coils");
    // 18 × (12.7 − 7.7 + 2 × 4.8) × 1.06 + 50; 330 nH × 18².
    assertThat(answer.get("wire_mm").doubleValue()).isCloseTo(328.568, offset(1e-9));
    assertThat(answer.get("inductance_h").doubleValue()).isCloseTo(106.92e-6, offset(1e-12));
    assertThat(Ran.run("wind", KIT, "choke").status()).isZero();
    Ran unknown = Ran.run("wind", KIT, "nothing");
    assertThat(unknown.status()).isEqualTo(2);
    assertThat(unknown.err()).contains("no winding 'nothing'");
  }

  @Test
  void jointsGivesTheOrderOfAPartAndWhatToLookAtFirst() {
    JsonNode socket = json("joints", KIT, "SK1");
    assertThat(socket.get("tacks").intValue()).isEqualTo(2);
    assertThat(socket.get("joints").get(1).stringValue()).isEqualTo("21");
    assertThat(socket.get("joints")).hasSize(40);
    assertThat(socket.get("hold").stringValue()).isEqualTo("card");
    JsonNode first = json("joints", KIT).get("look_first").get(0);
    assertThat(first.get("hurt").stringValue()).isEqualTo("supply");
    assertThat(Ran.run("joints", KIT, "X99").status()).isEqualTo(2);
  }

  @Test
  void aDamagedBoardFileIsNamedWithItsLine(@TempDir Path folder) throws IOException {
    Files.writeString(
        folder.resolve("kit.json"),
        """
        {"format":"humble-kit/1","id":"x","name":"x","kind":"badge",
         "boards":[{"id":"main","width_mm":20,"height_mm":20,
           "files":{"copper_top":"top.gbr","drill":"x.drl","legend_top":"gone.gbr"}}]}
        """);
    Files.writeString(folder.resolve("top.gbr"), "%FSLAX46Y46*%\n%MOMM*%\nD10*\nM02*\n");
    Files.writeString(folder.resolve("x.drl"), "M48\nMETRIC\nT1C0.9\n%\nT1\nXYZ\nM30\n");
    JsonNode problems = json("check", folder.toString()).get("problems");
    List<String> where = new ArrayList<>();
    problems.forEach(problem -> where.add(problem.get("where").stringValue()));
    assertThat(where).anyMatch(at -> at.startsWith("top.gbr") && at.contains("3"));
    assertThat(where).anyMatch(at -> at.startsWith("x.drl") && at.contains("6"));
    assertThat(where).anyMatch(at -> at.contains("legend_top"));
  }

  @Test
  void ohmsReadsAnUnpoweredBoardAndADeckIsWrittenOnce(@TempDir Path folder) throws IOException {
    JsonNode light = json("ohms", KIT, "QD0", "LD0", "--state", "sockets-empty");
    assertThat(List.copyOf(light.propertyNames())).containsExactly("ohms", "open");
    assertThat(light.get("ohms").doubleValue()).isCloseTo(330, offset(1.0));
    JsonNode open = json("ohms", KIT, "XA", "GND", "--state", "idle");
    assertThat(open.get("open").booleanValue()).isTrue();
    assertThat(open.get("ohms").isNull()).isTrue();
    assertThat(Ran.run("ohms", KIT, "XA", "nowhere", "--state", "idle").status()).isEqualTo(2);
    String deck = folder.resolve("x.cir").toString();
    assertThat(Ran.run("circuit", KIT, "--state", "idle", "--spice", deck).status()).isZero();
    assertThat(Files.readString(Path.of(deck))).contains("* net GND = 0").contains("\nDLED17 ");
    assertThat(Ran.run("circuit", KIT, "--state", "idle", "--spice", deck).status()).isEqualTo(2);
  }

  @Test
  void aPlanNamesItsBoardsAndAnInterval() {
    JsonNode plan = json("plan", KIT);
    assertThat(plan.get("optimal").booleanValue()).isTrue();
    JsonNode cost = plan.get("cost");
    double minutes = cost.get("minutes").doubleValue();
    assertThat(cost.get("minutes_80pct").get("low").doubleValue()).isLessThan(minutes);
    assertThat(cost.get("minutes_80pct").get("high").doubleValue()).isGreaterThan(minutes);
    List<String> boards =
        plan.get("steps").findValuesAsString("board").stream()
            .filter(board -> !board.isEmpty() && !board.equals("null"))
            .distinct()
            .toList();
    assertThat(boards).as("each is finished before the other").containsExactly("panel", "main");
  }
}
