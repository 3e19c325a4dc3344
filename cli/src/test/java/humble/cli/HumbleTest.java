package humble.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

class HumbleTest {
  private static final String KIT =
      Path.of(System.getProperty("humble.root", ".."), "kits", "glowmoth").toString();

  @TempDir Path folder;

  private static Ran run(String... arguments) {
    return Ran.run(arguments);
  }

  private static JsonNode json(String... arguments) {
    Ran ran = Ran.runJson(arguments);
    assertThat(ran.err()).isEmpty();
    return ran.json();
  }

  private static List<String> keys(JsonNode node) {
    return List.copyOf(node.propertyNames());
  }

  @Test
  void readBandsGivesTheDocumentedKeys() {
    JsonNode first = json("read", "bands", "brown,black,black,red,brown").get("readings").get(0);
    assertThat(keys(first))
        .containsExactly("ohms", "tolerance_pct", "tempco_ppm", "bands", "reversed", "preferred");
    assertThat(first.get("ohms").doubleValue()).isEqualTo(10_000);
    assertThat(first.get("preferred").stringValue()).isEqualTo("E3");
    assertThat(run("read", "bands", "gd,gd,gd,gd", "--json").status()).isEqualTo(1);
    assertThat(run("read", "bands", "red,puce").status()).isEqualTo(2);
    assertThat(run("read", "bands", "red,puce").err()).contains("band 2: 'puce'").contains("not 2");
  }

  @Test
  void readCodeGivesEveryReadingWithItsUnit() {
    JsonNode reading = json("read", "code", "104Z", "--as", "capacitor").get("readings").get(0);
    assertThat(keys(reading))
        .containsExactly("as", "value", "unit", "tolerance_pct", "volts", "text");
    assertThat(reading.get("text").stringValue()).isEqualTo("100 nF");
    assertThat(reading.get("tolerance_pct").get("high").intValue()).isEqualTo(80);
    assertThat(
            json("read", "code", "4K7J", "--as", "resistor")
                .get("readings")
                .get(0)
                .get("unit")
                .stringValue())
        .isEqualTo("ohm");
    assertThat(run("read", "code", "XYZ", "--json").status()).isEqualTo(1);
    assertThat(run("read", "code", " ", "--as", "spoon").err().lines()).hasSize(2);
  }

  @Test
  void matchDecidesOrSaysNo() {
    JsonNode match = json("match", KIT, "--value", "11.02k", "--meter", "0.8%+3@1");
    assertThat(keys(match))
        .containsExactly("value", "low", "high", "lines", "decision", "ambiguous");
    assertThat(match.get("decision").stringValue()).isEqualTo("r11k");
    assertThat(match.get("low").doubleValue()).isCloseTo(11_020 - 91.16, within(1e-6));
    assertThat(keys(match.get("lines").get(0)))
        .containsExactly("line", "refs", "nominal", "verdict", "likelihood");
    Ran none = run("match", KIT, "--value", "470", "--json");
    assertThat(none.status()).isEqualTo(1);
    assertThat(none.json().get("decision").isNull()).isTrue();
    Ran bad = run("match", KIT, "--value", "4..7", "--kind", "spoon", "--meter", "x");
    assertThat(bad.status()).isEqualTo(2);
    assertThat(bad.out()).isEmpty();
    assertThat(bad.err().lines()).hasSize(3).anySatisfy(l -> assertThat(l).contains("character 3"));
  }

  @Test
  void lookalikesNamesPairsAndTheFewToMeasure() {
    JsonNode found = json("lookalikes", KIT, "--light", "warm", "--eyes", "deutan");
    assertThat(keys(found)).containsExactly("pairs", "measure", "cannot_tell", "smallest");
    assertThat(found.get("pairs").size()).isPositive();
    assertThat(keys(found.get("pairs").get(0)))
        .containsExactly("a", "b", "why", "bands", "confusion", "meter_separates");
    found
        .get("pairs")
        .forEach(pair -> {
          if (pair.get("meter_separates").booleanValue()) {
            assertThat(found.get("measure").toString())
                .containsAnyOf(pair.get("a").toString(), pair.get("b").toString());
          }
        });
    assertThat(
            run("lookalikes", KIT, "--light", "moon", "--eyes", "cat", "--meter", "x")
                .err()
                .lines())
        .hasSize(3);
  }

  @Test
  void checkPrintsFindingsWheneverTheFileParses() throws IOException {
    assertThat(json("check", KIT).get("problems").size()).isZero();
    String json = Files.readString(Path.of(KIT, "kit.json"));
    Files.writeString(
        folder.resolve("kit.json"),
        json.replace("\"mount\": \"socketed\"", "\"mount\": \"glued\""));
    Ran broken = run("check", folder.toString(), "--json");
    assertThat(broken.status()).isEqualTo(1);
    JsonNode problem = broken.json().get("problems").get(0);
    assertThat(keys(problem)).containsExactly("level", "where", "text");
    assertThat(problem.get("where").stringValue()).startsWith("kit.json#/places/");
    Ran other = run("plan", folder.toString(), "--json");
    assertThat(other.status()).isEqualTo(2);
    assertThat(other.out()).isEmpty();
    assertThat(other.err()).contains("kit.json#/places/").contains("glued");
    Files.writeString(folder.resolve("kit.json"), "{");
    assertThat(run("check", folder.toString(), "--json").status()).isEqualTo(2);
  }

  @Test
  void planGivesStepsWithReasons() {
    JsonNode plan = json("plan", KIT, "--minutes", "45");
    assertThat(keys(plan))
        .contains(
            "school", "steps", "cost", "score", "optimal", "sessions", "blocked", "violations");
    assertThat(keys(plan.get("steps").get(0)))
        .containsExactly(
            "n", "do", "refs", "id", "board", "side", "height_mm", "minutes", "because");
    plan.get("steps").forEach(step -> assertThat(step.get("because").size()).isPositive());
    // J2 is held by the display while both are soldered, so it follows three taller parts.
    assertThat(plan.get("cost").get("inversions").intValue()).isEqualTo(3);
    assertThat(plan.get("optimal").booleanValue()).isTrue();
    assertThat(plan.get("sessions").size()).isGreaterThan(1);
    assertThat(plan.get("violations").size()).isZero();
    assertThat(run("plan", KIT, "--school", "tallest").status()).isEqualTo(2);
    assertThat(run("plan", KIT, "--choose", "sounder=silent", "--lacking", "Z9").err().lines())
        .hasSize(2);
    JsonNode lacking = json("plan", KIT, "--lacking", "sock28");
    assertThat(lacking.get("blocked").findValuesAsString("ref")).contains("SK1", "U1");
  }

  @Test
  void theSameInputGivesTheSameBytes() {
    assertThat(run("plan", KIT, "--json").out()).isEqualTo(run("plan", KIT, "--json").out());
    assertThat(run("circuit", KIT, "--state", "idle", "--json").out())
        .isEqualTo(run("circuit", KIT, "--state", "idle", "--json").out());
  }

  @Test
  void pinOneIsGivenAsSeen() {
    JsonNode top = json("pin1", KIT, "C1");
    assertThat(keys(top))
        .containsExactly(
            "ref",
            "side",
            "pin1",
            "pins",
            "clock",
            "points",
            "landmark",
            "if_reversed",
            "supply_pins");
    assertThat(top.get("if_reversed").stringValue()).isEqualTo("danger");
    JsonNode under = json("pin1", KIT, "C1", "--side", "bottom");
    assertThat(under.get("pin1").get("x_mm").doubleValue())
        .isCloseTo(84 - top.get("pin1").get("x_mm").doubleValue(), within(1e-6));
    assertThat(json("pin1", KIT, "U1").get("supply_pins").get("plus").get(0).stringValue())
        .isEqualTo("10");
    assertThat(run("pin1", KIT, "X1").status()).isEqualTo(2);
    assertThat(run("pin1", KIT, "C1", "--turn", "45").status()).isEqualTo(2);
  }

  @Test
  void cuesAreWeighedAndBadOnesAreNamed() throws IOException {
    Path part = folder.resolve("part.json");
    Files.writeString(
        part,
        """
        {"kind":"led","leads":["A","B"],
         "cues":[{"cue":"long-lead","at":"A"},{"cue":"flat","at":"A"},{"cue":"cup","at":"B"}]}
        """);
    JsonNode json = json("cues", "--part", part.toString());
    assertThat(keys(json)).contains("anode", "belief", "conflict", "next");
    assertThat(json.get("conflict").booleanValue()).isTrue();
    assertThat(json.get("next").stringValue()).startsWith("test at 2 mA");
    Files.writeString(
        part, "{\"kind\":\"boat\",\"leads\":[\"A\"],\"cues\":[{\"cue\":\"moon\",\"at\":\"Z\"}]}");
    assertThat(run("cues", "--part", part.toString()).err().lines()).hasSize(4);
    assertThat(run("cues", "--part", "nowhere.json").status()).isEqualTo(2);
  }

  @Test
  void circuitSolvesAStateWithFaults() {
    JsonNode healthy = json("circuit", KIT, "--state", "sockets-empty");
    assertThat(keys(healthy))
        .startsWith("nets", "parts", "supply", "regulators")
        .contains("converged");
    assertThat(healthy.get("nets").get("3V3").doubleValue()).isCloseTo(3.3, within(0.01));
    JsonNode open = json("circuit", KIT, "--state", "sockets-empty", "--fault", "open:D1.k");
    assertThat(open.get("nets").get("3V3").doubleValue()).isLessThan(0.1);
    JsonNode lit = json("circuit", KIT, "--state", "lamp1");
    assertThat(lit.get("parts").get("LED1").get("lit").booleanValue()).isTrue();
    assertThat(run("circuit", KIT, "--state", "moon").status()).isEqualTo(2);
    assertThat(run("circuit", KIT, "--state", "idle", "--fault", "open:Z9.1").status())
        .isEqualTo(2);
    assertThat(run("circuit", KIT, "--state", "idle", "--fault", "nonsense").status()).isEqualTo(2);
  }

  @Test
  void imagesAreReadAndChecked() throws IOException {
    String hex = Path.of(KIT, "lamp.hex").toString();
    JsonNode info = json("image", "info", hex);
    assertThat(keys(info))
        .containsExactly("format", "bytes", "segments", "entry", "crc32", "sha256", "blank");
    assertThat(info.get("format").stringValue()).isEqualTo("intel-hex");
    assertThat(json("image", "check", hex, "--kit", KIT, "--target", "main").get("problems").size())
        .isZero();
    Path outside = folder.resolve("outside.hex");
    Files.writeString(outside, ":020000040001F9\n:0100000001FE\n:00000001FF\n");
    Ran no = run("image", "check", outside.toString(), "--kit", KIT, "--target", "main", "--json");
    assertThat(no.status()).isEqualTo(1);
    assertThat(no.json().get("problems").findValuesAsString("kind")).contains("outside", "vector");
    Path cut = folder.resolve("cut.hex");
    Files.writeString(cut, Files.readString(Path.of(hex)).substring(0, 400));
    Ran damaged = run("image", "info", cut.toString(), "--json");
    assertThat(damaged.status()).isEqualTo(2);
    assertThat(damaged.out()).isEmpty();
    assertThat(damaged.err()).startsWith("cut.hex#");
    assertThat(run("image", "info", folder.resolve("none.hex").toString()).status()).isEqualTo(2);
  }

  @Test
  void loadSendsToASimulatedBoardAndSaysThatItIs() {
    JsonNode sent =
        json(
            "load",
            Path.of(KIT, "lamp.hex").toString(),
            "--port",
            "sim:main",
            "--kit",
            KIT,
            "--verify");
    assertThat(sent.get("sent").intValue()).isEqualTo(1754);
    assertThat(sent.get("verified").booleanValue()).isTrue();
    assertThat(sent.get("simulated").booleanValue()).isTrue();
    assertThat(
            run("load", Path.of(KIT, "lamp.hex").toString(), "--port", "sim:moon", "--kit", KIT)
                .status())
        .isEqualTo(2);
  }

  @Test
  void wakeExplainsLightsAndTurnsDisplays() {
    JsonNode suspects =
        json("wake", "matrix", "--kit", KIT, "--part", "U1", "--dark", "7").get("suspects");
    assertThat(keys(suspects.get(0))).containsExactly("fault", "belief", "explains", "group");
    assertThat(suspects.get(0).get("fault").stringValue()).isEqualTo("open:LED7.1");
    assertThat(suspects.get(0).get("group").toString())
        .isEqualTo("[\"open:LED7.1\",\"open:LED7.2\",\"dead:7\"]");
    assertThat(run("wake", "matrix", "--kit", KIT, "--part", "U1", "--dark", "21").status())
        .isEqualTo(2);
    JsonNode config =
        json(
                "wake",
                "display",
                "--config",
                "{\"rotate\":90}",
                "--seen",
                "{\"rotate\":180,\"mirror\":true,\"red_looks\":\"blue\",\"shift_x\":2}")
            .get("config");
    assertThat(keys(config))
        .containsExactly("rotate", "mirror", "swap_red_blue", "invert", "x_offset", "y_offset");
    // R90 ∘ (R180 M)⁻¹ = R90 ∘ R180 M = R270 M.
    assertThat(config.get("rotate").intValue()).isEqualTo(270);
    assertThat(config.get("mirror").booleanValue()).isTrue();
    assertThat(config.get("swap_red_blue").booleanValue()).isTrue();
    assertThat(config.get("x_offset").intValue()).isEqualTo(-2);
    assertThat(run("wake", "display", "--config", "{", "--seen", "{\"rotate\":45}").err().lines())
        .hasSize(2);
  }

  @Test
  void fitGivesScrewsAndClearances() {
    JsonNode fit = json("fit", KIT);
    assertThat(keys(fit)).startsWith("screws", "clearances", "cutouts");
    JsonNode screw = fit.get("screws").get(0);
    assertThat(keys(screw))
        .containsExactly("id", "stack_mm", "choose_mm", "too_long_mm", "too_short_mm");
    assertThat(screw.get("choose_mm").get(0).doubleValue()).isEqualTo(8);
    assertThat(run("fit", KIT).status()).isZero();
  }

  @ParameterizedTest
  @CsvSource({"dance", "read", "match", "plan", "image info", "wake matrix"})
  void wrongUsageIsTwoWithAWordOnStandardErrorAndNoTrace(String line) {
    Ran ran = run(line.split(" "));
    assertThat(ran.status()).isEqualTo(2);
    assertThat(ran.out()).isEmpty();
    assertThat(ran.err()).isNotBlank().doesNotContain("at humble.").doesNotContain("Exception");
  }

  @Test
  void everyCommandHasHelp() {
    for (String command :
        List.of("match", "check", "plan", "pin1", "circuit", "load", "fit", "builds", "report")) {
      Ran ran = run(command, "--help");
      assertThat(ran.status()).as(command).isZero();
      assertThat(ran.out()).contains("--json");
    }
    assertThat(run().out()).contains("demo").contains("Exit status");
  }
}
