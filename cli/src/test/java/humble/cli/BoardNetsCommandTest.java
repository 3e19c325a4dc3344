package humble.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

class BoardNetsCommandTest {
  private static final Path DEMO = Path.of("../kits/weathercock");

  @TempDir Path folder;

  @Test
  void theCopperOfAKitInTheKeysOfTheContract() {
    JsonNode answer = Ran.run("board", "nets", DEMO.toString(), "--json").json();
    assertThat(answer.get("source").stringValue()).isEqualTo("copper");
    JsonNode ground =
        answer
            .get("nets")
            .valueStream()
            .filter(net -> net.get("name").stringValue().equals("GND"))
            .findFirst()
            .orElseThrow();
    JsonNode pad = ground.get("pads").get(0);
    assertThat(pad.propertyNames()).containsExactly("ref", "pin", "x_mm", "y_mm");
    assertThat(pad.get("ref").stringValue()).isEqualTo("C1");
    assertThat(answer.get("problems").size()).isZero();
  }

  @Test
  void theNetlistWhenItIsAskedFor() {
    JsonNode copper = Ran.run("board", "nets", DEMO.resolve("board").toString(), "--json").json();
    JsonNode said =
        Ran.run("board", "nets", DEMO.resolve("board").toString(), "--from", "netlist", "--json")
            .json();
    assertThat(said.get("source").stringValue()).isEqualTo("netlist");
    assertThat(said.get("nets").size()).isEqualTo(copper.get("nets").size());
  }

  @Test
  void noBoardFilesAreBadInput() throws Exception {
    Files.writeString(folder.resolve("notes.txt"), "nothing");
    Ran run = Ran.run("board", "nets", folder.toString());
    assertThat(run.status()).isEqualTo(2);
    assertThat(run.out()).isEmpty();
    assertThat(run.err()).contains("No board file is in this folder.");
    assertThat(Ran.run("board", "nets", "../kits/glowmoth").status()).isEqualTo(2);
    assertThat(Ran.run("board", "nets", folder.toString(), "--unit", "ell").err())
        .contains("--unit: it is mm or inch, not 'ell'.");
  }

  @Test
  void aFileThatSaysNoUnitIsReadInTheOneThatIsSaid() throws Exception {
    Files.writeString(
        folder.resolve("thing.gtl"),
        "%FSLAX24Y24*%\n%ADD10C,0.06*%%ADD11C,0.01*%D10*X0Y0D03*X10000Y0D03*"
            + "D11*X0Y0D02*X10000D01*M02*");
    assertThat(Ran.run("board", "nets", folder.toString()).status()).isEqualTo(2);
    JsonNode answer =
        Ran.run("board", "nets", folder.toString(), "--unit", "inch", "--json").json();
    assertThat(answer.at("/nets/0/name").stringValue()).isEqualTo("n1");
    assertThat(answer.at("/nets/0/pads/1/x_mm").asDouble()).isEqualTo(25.4);
    assertThat(answer.at("/nets/0/pads/1/ref").isNull()).isTrue();
  }
}
