package humble.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

class BesideCommandsTest {
  private static final String KIT = "../kits/tidepool";

  @TempDir Path folder = Path.of("");

  private Path kit(String... changes) throws IOException {
    Path to = Files.createDirectories(folder.resolve("kit"));
    try (Stream<Path> files = Files.list(Path.of(KIT))) {
      for (Path file : files.filter(Files::isRegularFile).toList()) {
        Files.copy(file, to.resolve(file.getFileName()));
      }
    }
    String text = Files.readString(to.resolve("kit.json"));
    for (int i = 0; i < changes.length; i += 2) {
      assertThat(text).contains(changes[i]);
      text = text.replace(changes[i], changes[i + 1]);
    }
    Files.writeString(to.resolve("kit.json"), text);
    return to;
  }

  @Test
  void aCardIsLaidLookedAtAndLeftAsItIsWhereAnotherFileLies() throws IOException {
    String to = Files.createDirectories(folder.resolve("card")).toString();
    Ran look = Ran.runJson("card", KIT, "--to", to, "--check");
    assertThat(look.status()).isEqualTo(1);
    assertThat(look.json().get("files").get(0).get("state").stringValue()).isEqualTo("missing");
    assertThat(folder.resolve("card/LEVELS")).doesNotExist();
    Ran laid = Ran.runJson("card", KIT, "--to", to);
    assertThat(laid.status()).isZero();
    assertThat(List.copyOf(laid.json().propertyNames())).containsExactly("files", "problems");
    assertThat(folder.resolve("card/LEVELS/HARBOUR.LEV"))
        .hasSameBinaryContentAs(Path.of(KIT, "harbour.lev"));
    Files.writeString(folder.resolve("card/TIDE.JSN"), "mine");
    Ran again = Ran.runJson("card", KIT, "--to", to);
    assertThat(again.status()).isEqualTo(1);
    assertThat(again.json().get("files").get(2).get("state").stringValue()).isEqualTo("other");
    assertThat(folder.resolve("card/TIDE.JSN")).hasContent("mine");
    assertThat(Ran.run("card", KIT, "--to", to, "--replace").status()).isZero();
    assertThat(Ran.run("card", KIT, "--to", to, "--id", "x").status()).isEqualTo(2);
    assertThat(Ran.run("card", KIT, "--to", to + "/none").status()).isEqualTo(2);
    assertThat(Ran.run("card", "../kits/ferryman", "--to", to).status()).isEqualTo(2);
  }

  @Test
  void whatACardCannotBearIsAnErrorOfTheKit() throws IOException {
    Path kit = kit("LEVELS/HARBOUR.LEV", "LEVELS/NUL.LEV");
    assertThat(Ran.run("check", kit.toString()).out())
        .contains("/firmware/cards/0: LEVELS/NUL.LEV: 'NUL.LEV' is the name of a device");
  }

  @Test
  void aTableOfChannelsIsJudgedWithTheLimitsThatAreStated() throws IOException {
    Path kit =
        kit(
            "\"cards\": [",
            "\"channels\": [{\"id\": \"m\", \"file\": \"m.csv\", \"key\": \"hz\", \"low\": 100, \"high\": 200, \"step\": 10}], \"cards\": [");
    Path table = kit.resolve("m.csv");
    Files.writeString(table, "name;hz\nquay;110\n\nlock;125\n");
    Ran ran =
        Ran.runJson("settings", table.toString(), "--groups", kit.toString(), "--limit", "115..");
    assertThat(ran.status()).isEqualTo(1);
    JsonNode channels = ran.json().get("channels").get(0);
    assertThat(channels.get("rows").intValue()).isEqualTo(2);
    assertThat(channels.get("problems").toString())
        .isEqualTo(
            "[{\"line\":2,\"problem\":\"110 is below the limit you state, 115.\",\"nearest\":null},"
                + "{\"line\":4,\"problem\":\"125 is on no step of 10: the nearest is 130.\",\"nearest\":\"130\"}]");
    Files.writeString(table, "name;hz\nquay;110\n");
    assertThat(Ran.run("settings", table.toString(), "--groups", kit.toString()).status()).isZero();
    assertThat(
            Ran.run("settings", table.toString(), "--groups", kit.toString(), "--limit", "x")
                .status())
        .isEqualTo(2);
    assertThat(Ran.run("settings", table.toString(), "--groups", KIT).status()).isEqualTo(2);
    Files.writeString(table, "name,hz\n\"quay,110\n");
    assertThat(Ran.run("settings", table.toString(), "--groups", kit.toString()).status())
        .isEqualTo(2);
  }

  @Test
  void settingsInJsonAndAgainstTheBoardAreJudged() throws IOException {
    Path kit = kit("\"hz\": 880", "\"hz\": 660");
    Ran against =
        Ran.runJson("settings", kit.resolve("config.h").toString(), "--groups", kit.toString());
    assertThat(against.json().get("groups").toString()).contains("The kit says 660 (hz of tone).");
    Path to = folder.resolve("tide.json");
    Ran json =
        Ran.runJson(
            "settings",
            KIT + "/tide.json",
            "--groups",
            KIT,
            "--set",
            "tide=storm",
            "--set",
            "minutes=9",
            "-o",
            to.toString());
    assertThat(json.status()).isZero();
    assertThat(to)
        .hasContent(
            Files.readString(Path.of(KIT, "tide.json"))
                .replace("\"neap\"", "\"storm\"")
                .replace("6", "9"));
  }

  @Test
  void aLibraryIsKeptAndItsChangesAreNamed() throws IOException {
    Path library = Files.createDirectories(folder.resolve("lib/src"));
    Files.copy(Path.of(KIT, "config.h"), library.resolve("config.h"));
    Files.writeString(library.resolve("a.c"), "a");
    Path state = folder.resolve("lib.sha256");
    String at = folder.resolve("lib").toString();
    assertThat(Ran.run("library", "keep", at, "-o", state.toString()).status()).isZero();
    assertThat(
            Ran.runJson("library", "check", at, state.toString()).json().get("same").booleanValue())
        .isTrue();
    Files.writeString(
        library.resolve("config.h"),
        Files.readString(Path.of(KIT, "config.h"))
            .replace("#define SCREEN_R", "//#define SCREEN_R"));
    Files.delete(library.resolve("a.c"));
    Ran ran = Ran.runJson("library", "check", at, state.toString(), "--groups", KIT);
    assertThat(ran.status()).isEqualTo(1);
    assertThat(ran.json().get("changed").toString()).isEqualTo("[\"src/config.h\"]");
    assertThat(ran.json().get("removed").toString()).isEqualTo("[\"src/a.c\"]");
    assertThat(ran.json().get("undone").toString()).contains("\"id\":\"screen\"");
    Files.writeString(state, "no hash\n");
    assertThat(Ran.run("library", "check", at, state.toString()).status()).isEqualTo(2);
    assertThat(Ran.run("library", "keep", state.toString(), "-o", at).status()).isEqualTo(2);
  }
}
