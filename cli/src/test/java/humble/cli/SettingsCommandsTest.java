package humble.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

class SettingsCommandsTest {
  private static final String KIT = "../kits/tidepool";
  private static final String HEADER = "../kits/tidepool/config.h";

  @TempDir Path folder = Path.of("");

  @Test
  void settingsAreJudgedAndWhatNobodySetIsNamed() {
    Ran ran = Ran.runJson("settings", HEADER, "--groups", KIT);
    assertThat(ran.status()).isEqualTo(1);
    assertThat(List.copyOf(ran.json().propertyNames())).containsExactly("groups", "changes");
    JsonNode groups = ran.json().get("groups");
    assertThat(groups.get(0).toString())
        .isEqualTo("{\"id\":\"screen\",\"on\":[\"SCREEN_ROUND_CORNERS\"],\"problem\":null}");
    assertThat(groups.get(3).get("problem").stringValue()).contains("OWNER_NAME has no value");
  }

  @Test
  void aSettingIsChangedInPlaceAndWhatIsPrivateIsNotTold() throws IOException {
    Path to = folder.resolve("config.h");
    Ran ran =
        Ran.runJson(
            "settings",
            HEADER,
            "--groups",
            KIT,
            "--set",
            "screen=SCREEN_CUT_CORNER",
            "--set",
            "SLEEP_MIN=5",
            "--set",
            "owner=\"Mira\"",
            "-o",
            to.toString());
    assertThat(ran.status()).isZero();
    assertThat(ran.json().toString()).doesNotContain("Mira");
    assertThat(ran.json().get("changes")).hasSize(4);
    String before = Files.readString(Path.of(HEADER), StandardCharsets.UTF_8);
    assertThat(Files.readString(to, StandardCharsets.UTF_8))
        .isEqualTo(
            before
                .replace("#define SCREEN_ROUND", "//#define SCREEN_ROUND")
                .replace("// #define SCREEN_CUT", " #define SCREEN_CUT")
                .replace("SLEEP_MIN 10", "SLEEP_MIN 5")
                .replace("OWNER_NAME \"\"", "OWNER_NAME \"Mira\""));
  }

  @Test
  void whatCannotBeSetIsToldAndNothingIsWritten() {
    Path to = folder.resolve("config.h");
    Ran ran =
        Ran.run(
            "settings",
            HEADER,
            "--groups",
            KIT,
            "--set",
            "screen=SCREEN_X",
            "--set",
            "note=99999",
            "-o",
            to.toString());
    assertThat(ran.status()).isEqualTo(2);
    assertThat(ran.err()).contains("SCREEN_X").contains("above 1760 Hz");
    assertThat(to).doesNotExist();
    assertThat(Ran.run("settings", HEADER, "--groups", "../kits/glowmoth").status()).isEqualTo(2);
    assertThat(Ran.run("settings", HEADER, "--groups", KIT, "--set", "screen").status())
        .isEqualTo(2);
  }

  @Test
  void aSwitchSheetComesFromAListingOrAnImage() throws IOException {
    Path listing =
        Files.writeString(folder.resolve("count.lst"), "0100 3E 05  LOAD 5\n0102 76  HALT\n");
    JsonNode rows = Ran.runJson("image", "toggle", listing.toString()).json().get("rows");
    assertThat(rows.get(0).toString())
        .isEqualTo(
            "{\"address\":256,\"hex\":\"3e\",\"octal\":\"076\",\"binary\":\"00111110\","
                + "\"mnemonic\":\"LOAD 5\",\"split_octal\":\"001 000\"}");
    assertThat(rows).hasSize(3);
    JsonNode image =
        Ran.runJson(
                "image", "toggle", "../kits/glowmoth/lamp.hex", "--from", "0x10", "--count", "4")
            .json()
            .get("rows");
    assertThat(image).hasSize(4);
    assertThat(image.get(0).get("address").longValue()).isEqualTo(16);
    assertThat(image.get(0).get("mnemonic").isNull()).isTrue();
  }

  @Test
  void whatWasReadBackIsComparedRowByRow() throws IOException {
    Path listing = Files.writeString(folder.resolve("a.lst"), "000 303  GO\n001 000\n002 001\n");
    Path back = Files.writeString(folder.resolve("back.txt"), "303\n001: 002\n");
    Ran ran =
        Ran.runJson(
            "image", "toggle", listing.toString(), "--base", "octal", "--check", back.toString());
    assertThat(ran.status()).isEqualTo(1);
    assertThat(ran.json().get("differ").toString())
        .isEqualTo("[{\"address\":1,\"wrote\":0,\"read\":2,\"switches\":[1]}]");
    assertThat(ran.json().get("unread").toString()).isEqualTo("[2]");
    Files.writeString(back, "303\n000\n9\n");
    Ran bad =
        Ran.run(
            "image", "toggle", listing.toString(), "--base", "octal", "--check", back.toString());
    assertThat(bad.status()).isEqualTo(2);
    assertThat(bad.err()).contains("back.txt#3: '9' is no byte in octal.");
  }
}
