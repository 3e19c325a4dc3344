package humble.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** A matrix of lights from four answers. */
class LightsCommandTest {
  private static final JsonMapper JSON = new JsonMapper();

  @TempDir Path folder;

  /**
   * A kit of a controller with twenty pins and so many lights, and nothing joined but the power.
   */
  private Path kit(int lights) throws IOException {
    Path to = Files.createDirectories(folder.resolve("kit" + lights));
    List<String> refs = new ArrayList<>();
    for (int i = 1; i <= lights; i++) {
      refs.add("\"LED" + i + "\"");
    }
    Files.writeString(
        to.resolve("kit.json"),
        """
        {"format":"humble-kit/1","id":"glow","name":"Glow","kind":"badge","note":"kept",
         "lines":[
          {"id":"u","kind":"ic","value":"HL-L20","package":"dip-20","refs":["U1"],"supplied":1,
           "model":{"type":"load","plus":"20","minus":"10","ma":4,"min_v":2.7,"outputs":{}}},
          {"id":"j","kind":"header","package":"header-1x2","refs":["J1"],"supplied":1},
          {"id":"led","kind":"led","package":"led-3","refs":[%s],"supplied":%d,
           "model":{"type":"led","vf_v":2.0,"at_ma":10}}],
         "nets":{"5V":["J1.1","U1.20"],"GND":["J1.2","U1.10"]},
         "supplies":[{"id":"usb","volts":5,"limit_ma":500,"plus":"J1.1","minus":"J1.2"}],
         "states":[{"id":"idle","supply":"usb"}]}
        """
            .formatted(String.join(",", refs), lights));
    return to;
  }

  private static JsonNode read(Path kit) throws IOException {
    return JSON.readTree(Files.readString(kit.resolve("kit.json")));
  }

  /** What is driven is judged by the circuit: that light alone shines as brightly. */
  @ParameterizedTest
  @ValueSource(strings = {"anodes", "pairs"})
  void fiftySevenLightsShineOneByOne(String order) throws Exception {
    Path kit = kit(57);
    Ran ran =
        Ran.runJson(
            "lights",
            kit.toString(),
            "--driver",
            "U1",
            "--pins",
            "1,2,3,4,5,6,7,8,9",
            "--count",
            "57",
            "--order",
            order,
            "--write");
    assertThat(ran.status()).isZero();
    assertThat(ran.json().get("states").intValue()).isEqualTo(57);
    Set<String> pairs = new HashSet<>();
    ran.json()
        .get("lights")
        .forEach(light ->
            pairs.add(light.get("anode").stringValue() + light.get("cathode").stringValue()));
    assertThat(pairs).hasSize(57);
    assertThat(Ran.run("check", kit.toString()).status()).isZero();
    for (int n : new int[] {1, 2, 19, 57}) {
      JsonNode at = Ran.runJson("circuit", kit.toString(), "--state", "light-" + n).json();
      double own = -1;
      double most = 0;
      for (String ref : at.get("parts").propertyNames()) {
        if (ref.startsWith("LED")) {
          double ma = at.get("parts").get(ref).get("ma").doubleValue();
          if (ref.equals("LED" + n)) {
            own = ma;
          } else {
            most = Math.max(most, ma);
          }
        }
      }
      assertThat(own).as("light " + n).isGreaterThan(1).isGreaterThan(10 * most);
    }
    assertThat(read(kit).get("note").stringValue()).as("all else stays").isEqualTo("kept");
    assertThat(read(kit).get("states").get(0).get("id").stringValue()).isEqualTo("idle");
  }

  @Test
  void writingTwiceIsWritingOnce() throws Exception {
    Path kit = kit(6);
    String[] command = {
      "lights", kit.toString(), "--driver", "U1", "--pins", "1,2,3", "--count", "6", "--write"
    };
    assertThat(Ran.run(command).status()).isZero();
    JsonNode once = read(kit);
    Ran again = Ran.run(command);
    assertThat(again.status()).isZero();
    assertThat(read(kit)).isEqualTo(once);
  }

  /** The demo badge was written by hand: its board says the same as four answers. */
  @Test
  void theDemoBadgeComesOutAsItWasWritten() throws Exception {
    Path to = Files.createDirectories(folder.resolve("badge"));
    ObjectNode badge =
        (ObjectNode) JSON.readTree(Files.readString(Path.of("../kits/glowmoth/kit.json")));
    JsonNode written = null;
    ArrayNode peripherals = (ArrayNode) badge.get("peripherals");
    for (int i = peripherals.size() - 1; i >= 0; i--) {
      if (peripherals.get(i).get("kind").stringValue().equals("matrix")) {
        written = peripherals.get(i);
      }
    }
    Files.writeString(to.resolve("kit.json"), JSON.writeValueAsString(badge));
    Files.copy(Path.of("../kits/glowmoth/lamp.hex"), to.resolve("lamp.hex"));
    Ran ran =
        Ran.runJson(
            "lights", to.toString(), "--driver", "U1", "--pins", "1,2,3,4,5", "--count", "20");
    assertThat(ran.err()).isEmpty();
    List<String> made = new ArrayList<>();
    ran.json()
        .get("lights")
        .forEach(light ->
            made.add(light.get("anode").stringValue() + " " + light.get("cathode").stringValue()));
    List<String> wanted = new ArrayList<>();
    written
        .get("lights")
        .forEach(
            light -> wanted.add(light.get(0).stringValue() + " " + light.get(1).stringValue()));
    assertThat(made).isEqualTo(wanted);
    assertThat(ran.json().get("nets").intValue()).as("the board has them all").isZero();
  }

  @Test
  void rowsAndColumnsAndWhatCannotBe() throws Exception {
    Path kit = kit(6);
    Ran rows =
        Ran.runJson(
            "lights",
            kit.toString(),
            "--driver",
            "U1",
            "--pins",
            "1,2,5,6,7",
            "--rows",
            "2",
            "--count",
            "6");
    Set<String> anodes = new TreeSet<>();
    rows.json().get("lights").forEach(light -> anodes.add(light.get("anode").stringValue()));
    assertThat(anodes).containsExactly("U1.1", "U1.2");
    Path some = kit(5);
    Ran.run(
        "lights",
        some.toString(),
        "--driver",
        "U1",
        "--pins",
        "1,2,5,6,7",
        "--rows",
        "2",
        "--count",
        "5",
        "--write");
    assertThat(read(some).get("peripherals").get(0).get("lights").size())
        .as("five of six places: the sixth is no light")
        .isEqualTo(5);
    for (String[] wrong :
        new String[][] {
          {"U1", "1,2", "3", "at most 2 lights"},
          {"U1", "1,1,2", "3", "named twice"},
          {"U1", "1,99,2", "3", "no pin '99'"},
          {"U1", "1,20,2", "3", "feeds U1"},
          {"U9", "1,3,2", "3", "no part 'U9'"},
          {"J1", "1,2,3", "3", "where J1 is fed"},
          {"U1", "1,2,3,4", "7", "6 lights with places"}
        }) {
      Ran ran =
          Ran.run(
              "lights",
              kit.toString(),
              "--driver",
              wrong[0],
              "--pins",
              wrong[1],
              "--count",
              wrong[2],
              "--write");
      assertThat(ran.status()).as(wrong[3]).isEqualTo(2);
      assertThat(ran.err()).contains(wrong[3]);
    }
    assertThat(read(kit).has("peripherals")).as("nothing is written half").isFalse();
  }
}
