package humble.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

class WakeCommandsTest {
  private static final JsonMapper JSON = new JsonMapper();

  @TempDir Path folder = Path.of("");

  private Path file(String name, String text) throws IOException {
    return Files.writeString(folder.resolve(name), text);
  }

  private static JsonNode json(Ran ran) {
    assertThat(ran.err()).isEmpty();
    return JSON.readTree(ran.out());
  }

  @Test
  void aChainThatIsDarkFromALightOnSuspectsTheWayIn() {
    JsonNode first =
        json(Ran.run("wake", "chain", "--count", "12", "--dark-from", "5", "--json"))
            .path("suspects")
            .get(0);
    assertThat(first.path("fault").asString()).isEqualTo("data:5");
    assertThat(first.path("group").size()).isBetween(2, 4);
    assertThat(first.path("explains").get(0).asInt()).isEqualTo(5);
    Ran bad = Ran.run("wake", "chain", "--count", "4", "--dark-from", "9", "--odd", "0");
    assertThat(bad.status()).isEqualTo(2);
    assertThat(bad.err()).contains("no light 9 of 4").contains("no light 0 of 4");
    assertThat(bad.out()).isEmpty();
  }

  @Test
  void linesAreJudgedByWordsWrittenAndRead() throws IOException {
    Path wrote = file("wrote.txt", "# words\n01\nfe\n02\nfd\n");
    Path read = file("read.txt", "01 01 03\nfe fe fe\n02 02 02\nfd fd fd\n");
    Ran ran =
        Ran.run(
            "wake",
            "lines",
            "--width",
            "8",
            "--wrote",
            wrote.toString(),
            "--read",
            read.toString(),
            "--json");
    assertThat(ran.status()).isEqualTo(1);
    JsonNode lines = json(ran).path("lines");
    assertThat(lines.get(1).path("state").asString()).isEqualTo("flicker");
    assertThat(lines.get(1).path("rate").asDouble())
        .isCloseTo(1 / 12.0, org.assertj.core.data.Offset.offset(1e-9));
    assertThat(lines.get(0).path("state").asString()).isEqualTo("good");
    Ran bad =
        Ran.run(
            "wake",
            "lines",
            "--width",
            "8",
            "--wrote",
            wrote.toString(),
            "--read",
            file("short.txt", "01\nxy\n1ff\n").toString());
    assertThat(bad.status()).isEqualTo(2);
    assertThat(bad.err()).contains("#2: 'xy'").contains("#3: 1ff is wider");
  }

  private Path kit(String peripherals) throws IOException {
    String text =
        Files.readString(
            Path.of(System.getProperty("humble.root", ".."), "kits", "glowmoth", "kit.json"));
    Path kit = Files.createDirectories(folder.resolve("kit"));
    Files.writeString(
        kit.resolve("kit.json"),
        text.replace("\"peripherals\": [", "\"peripherals\": [" + peripherals + ","));
    Files.copy(
        Path.of(System.getProperty("humble.root", ".."), "kits", "glowmoth", "lamp.hex"),
        kit.resolve("lamp.hex"),
        java.nio.file.StandardCopyOption.REPLACE_EXISTING);
    return kit;
  }

  @Test
  void aBusIsPlannedAndWhatAnsweredIsHeldAgainstIt() throws IOException {
    Path kit =
        kit(
            "{\"id\":\"bus\",\"kind\":\"i2c\",\"volts\":3.3,\"sda\":\"GND\",\"scl\":\"GND\",\"speed_hz\":400000,"
                + "\"pf\":40,\"devices\":[{\"ref\":\"DISP1\",\"addresses\":[\"0x3c\",\"0x3d\"],"
                + "\"pullup_ohm\":10000,\"pf\":10},{\"ref\":\"U1\",\"addresses\":[60]},"
                + "{\"ref\":\"R10\",\"pullup_ohm\":4700}]}");
    JsonNode plain = json(Ran.run("wake", "i2c", kit.toString(), "--json"));
    assertThat(plain.path("plan").toString())
        .isEqualTo("[{\"ref\":\"DISP1\",\"address\":61},{\"ref\":\"U1\",\"address\":60}]");
    assertThat(plain.path("clashes").isEmpty()).isTrue();
    assertThat(plain.path("missing").isEmpty()).isTrue();
    assertThat(plain.path("pullup").path("min_ohm").asDouble()).isBetween(966.0, 967.0);
    assertThat(plain.path("pullup").path("now_ohm").asDouble()).isBetween(3197.0, 3198.0);
    assertThat(plain.path("pullup").path("advice").asString()).isNotEmpty();
    Ran found = Ran.run("wake", "i2c", kit.toString(), "--found", "0x3c,0x50", "--json");
    assertThat(found.status()).isEqualTo(1);
    assertThat(json(found).path("missing").get(0).path("ref").asString()).isEqualTo("DISP1");
    assertThat(json(found).path("strays").toString()).isEqualTo("[80]");
    assertThat(Ran.run("wake", "i2c", kit.toString(), "--found", "0x80").status()).isEqualTo(2);
  }

  @Test
  void aKitWithoutABusAndADeviceThatIsNotThereAreBadInput() throws IOException {
    String badge = Path.of(System.getProperty("humble.root", ".."), "kits", "glowmoth").toString();
    assertThat(Ran.run("wake", "i2c", badge).err()).contains("no bus of two wires");
    Path kit =
        kit(
            "{\"id\":\"bus\",\"kind\":\"i2c\",\"sda\":\"NOWHERE\",\"devices\":[{\"ref\":\"U77\","
                + "\"addresses\":[\"0x99\"]}]}");
    Ran ran = Ran.run("check", kit.toString());
    assertThat(ran.status()).isEqualTo(1);
    Path said =
        kit(
            "{\"id\":\"b\",\"kind\":\"other\",\"set\":{\"S99\":\"up\"},\"otherwise\":[{\"seen\":\"x\",\"means\":["
                + "\"open:R1.1\",\"open:R77.1\",\"broken:R1\",\"kit:sleepy-bank\"]}]}");
    assertThat(Ran.run("check", said.toString()).out())
        .contains("no part 'S99'")
        .contains("'open:R77.1' is no fault")
        .contains("'broken:R1' is no fault")
        .doesNotContain("'open:R1.1'")
        .doesNotContain("'kit:sleepy-bank'");
    assertThat(ran.out())
        .contains("'NOWHERE' is no net")
        .contains("no part 'U77'")
        .contains("seven bits");
  }

  @Test
  void sticksAndLightAreJudgedByTheirSamples() throws IOException {
    Path stick =
        file("stick.csv", "phase,x,y\nrest,511,500\nrest,513,500\nsweep,0,500\nsweep,1023,501\n");
    Ran ran = Ran.run("wake", "analog", stick.toString(), "--as", "joystick", "--json");
    assertThat(ran.status()).as("y does not move").isEqualTo(1);
    JsonNode axes = json(ran).path("axes");
    assertThat(axes.get(0).path("axis").asString()).isEqualTo("x");
    assertThat(axes.get(0).path("centre").asDouble()).isEqualTo(512);
    assertThat(axes.get(0).path("dead_zone").asDouble()).isEqualTo(1);
    assertThat(axes.get(1).path("high").asDouble()).isEqualTo(501);
    Path light = file("light.csv", "phase,value\ndark,212\ndark,214\nlight,803\nlight,801\n");
    JsonNode threshold =
        json(Ran.run("wake", "analog", light.toString(), "--as", "light", "--json"));
    assertThat(threshold.path("threshold").asDouble())
        .isCloseTo(507.5, org.assertj.core.data.Offset.offset(1e-9));
    assertThat(threshold.path("dark").path("mean").asDouble()).isEqualTo(213);
    Ran bad =
        Ran.run(
            "wake",
            "analog",
            file("bad.csv", "phase,value\ndusk,1\ndark,x\n").toString(),
            "--as",
            "light");
    assertThat(bad.status()).isEqualTo(2);
    assertThat(bad.err()).contains("#2").contains("#3");
  }

  @Test
  void aSettingOfADisplayMayStandInAFile() throws IOException {
    Path config = file("config.json", "{\"rotate\":90}");
    Ran ran =
        Ran.run(
            "wake",
            "display",
            "--config",
            config.toString(),
            "--seen",
            "{\"rotate\":90}",
            "--json");
    assertThat(json(ran).path("config").path("rotate").asInt()).isZero();
    assertThat(Ran.run("wake", "display", "--config", "nowhere.json", "--seen", "{}").err())
        .contains("neither JSON nor a file");
  }

  @Test
  void trialsAndMeasurementsAreRankedTogether() {
    String lock = Path.of(System.getProperty("humble.root", ".."), "kits", "glowmoth").toString();
    JsonNode next =
        json(Ran.run("trial", lock, "--state", "lamp1", "--seen", "dark:LED1", "--json"))
            .path("next");
    assertThat(next.get(0).path("do").asString()).isEqualTo("measure");
    double before = Double.MAX_VALUE;
    for (JsonNode trial : next) {
      double rate = trial.path("decides_bits").asDouble() / trial.path("minutes").asDouble();
      assertThat(rate).isLessThanOrEqualTo(before);
      before = rate;
    }
    assertThat(next.toString()).contains("\"do\":\"reseat\",\"what\":\"U1\"").contains("swap");
    assertThat(Ran.run("trial", lock, "--state", "nowhere").status()).isEqualTo(2);
  }
}
