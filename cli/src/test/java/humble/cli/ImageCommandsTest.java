package humble.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

class ImageCommandsTest {
  private static final String LAMP = "../kits/glowmoth/lamp.hex";
  private static final String KIT = "../kits/glowmoth";

  @TempDir Path folder = Path.of("");

  private String uf2 = "";

  @BeforeEach
  void convert() {
    uf2 = folder.resolve("lamp.uf2").toString();
    assertThat(Ran.run("image", "convert", LAMP, "-o", uf2, "--family", "0x68756d62").status())
        .isZero();
  }

  @Test
  void infoGivesTheDocumentedKeysFirstInEveryFormat() {
    JsonNode of = Ran.runJson("image", "info", LAMP).json();
    JsonNode other = Ran.runJson("image", "info", uf2).json();
    assertThat(List.copyOf(of.propertyNames()))
        .containsExactly("format", "bytes", "segments", "entry", "crc32", "sha256", "blank");
    assertThat(List.copyOf(other.propertyNames()))
        .startsWith("format", "bytes", "segments", "entry", "crc32", "sha256", "blank");
    assertThat(other.get("format").stringValue()).isEqualTo("uf2");
    assertThat(other.get("sha256")).isEqualTo(of.get("sha256"));
    assertThat(other.get("crc32")).isEqualTo(of.get("crc32"));
  }

  @Test
  void whatIsTheSameEndsWith0AndWhatIsNotWith1() {
    Ran same = Ran.runJson("image", "diff", LAMP, uf2);
    assertThat(same.status()).isZero();
    assertThat(same.json().get("same").booleanValue()).isTrue();
    String patched = folder.resolve("p.hex").toString();
    Ran wrote =
        Ran.runJson(
            "image",
            "patch",
            LAMP,
            "--at",
            "0x10",
            "--hex",
            "31 32 33",
            "--crc-at",
            "0x3000",
            "--crc",
            "crc16-xmodem",
            "-o",
            patched);
    assertThat(wrote.status()).isZero();
    assertThat(wrote.json().get("segments")).hasSize(2);
    Ran other = Ran.runJson("image", "diff", LAMP, patched);
    assertThat(other.status()).isEqualTo(1);
    JsonNode ranges = other.json().get("ranges");
    assertThat(ranges.get(0).get("kind").stringValue()).isEqualTo("differ");
    assertThat(ranges.get(0).get("from").intValue()).isEqualTo(0x10);
    assertThat(ranges.get(1).get("kind").stringValue()).isEqualTo("only-b");
    assertThat(ranges.get(1).get("to").intValue()).isEqualTo(0x3001);
    Ran clash = Ran.run("image", "merge", LAMP, patched, "-o", folder.resolve("m.hex").toString());
    assertThat(clash.status()).isEqualTo(2);
    assertThat(clash.err()).contains("0x0010").contains("other bytes");
    assertThat(folder.resolve("m.hex")).doesNotExist();
  }

  @Test
  void anImageForAnotherFamilyDoesNotFit() {
    String other = folder.resolve("other.uf2").toString();
    Ran.run("image", "convert", LAMP, "-o", other, "--family", "0x1234");
    Ran checked = Ran.runJson("image", "check", other, "--kit", KIT, "--target", "main");
    assertThat(checked.status()).isEqualTo(1);
    assertThat(checked.json().get("problems"))
        .anySatisfy(problem -> assertThat(problem.get("kind").stringValue()).isEqualTo("family"));
    assertThat(Ran.run("image", "check", uf2, "--kit", KIT, "--target", "main").status()).isZero();
  }

  @Test
  void badInputWritesNothing() {
    String out = folder.resolve("x.s19").toString();
    String high = folder.resolve("high.hex").toString();
    Ran.run("image", "patch", LAMP, "--at", "0x20000", "--hex", "00", "-o", high);
    for (List<String> command :
        List.of(
            List.of("image", "convert", high, "-o", out),
            List.of("image", "convert", LAMP, "-o", folder.resolve("x.xyz").toString()),
            List.of("image", "cut", LAMP, "--from", "9", "--to", "3", "-o", out),
            List.of("image", "cut", LAMP, "--from", "-1", "--to", "3", "-o", out),
            List.of("image", "patch", LAMP, "--at", "0", "--hex", "3", "-o", out),
            List.of("image", "patch", LAMP, "--at", "0", "--hex", "33", "--crc-at", "0", "-o", out),
            List.of(
                "image",
                "patch",
                LAMP,
                "--at",
                "0",
                "--hex",
                "33",
                "--crc-at",
                "9",
                "--crc",
                "sum",
                "-o",
                out))) {
      Ran ran = Ran.run(command.toArray(String[]::new));
      assertThat(ran.status()).as(command.toString()).isEqualTo(2);
      assertThat(ran.err()).as(command.toString()).isNotBlank();
    }
    assertThat(Path.of(out)).doesNotExist();
  }

  @Test
  void aDriveTakesAUf2AndIsReadBack() throws IOException {
    Path drive = Files.createDirectory(folder.resolve("drive"));
    Ran none = Ran.run("load", LAMP, "--port", "drive:" + drive);
    assertThat(none.status()).isEqualTo(2);
    assertThat(none.err()).contains("INFO_UF2.TXT");
    Files.writeString(drive.resolve("INFO_UF2.TXT"), "Board-ID: lamp\n");
    Ran sent =
        Ran.runJson("load", LAMP, "--port", "drive:" + drive, "--kit", KIT, "--target", "main");
    assertThat(sent.status()).isZero();
    assertThat(List.copyOf(sent.json().propertyNames()))
        .containsExactly("sent", "verified", "seconds", "retries");
    assertThat(sent.json().get("verified").booleanValue()).isTrue();
    assertThat(Ran.run("image", "diff", LAMP, drive.resolve("lamp.uf2").toString()).status())
        .isZero();
  }

  @Test
  void aCommandOfOnesOwnIsJudgedByItsEndAndByReadingBack() throws IOException {
    String chip = folder.resolve("chip.hex").toString();
    Ran good =
        Ran.runJson(
            "load",
            LAMP,
            "--command",
            "cp {file} '" + chip + "'",
            "--read-command",
            "cp '" + chip + "' {out}");
    assertThat(good.status()).isZero();
    assertThat(good.json().get("verified").booleanValue()).isTrue();
    Files.writeString(
        folder.resolve("wrong.hex"), ":0100000001FE\n:00000001FF\n", StandardCharsets.US_ASCII);
    Ran wrong =
        Ran.runJson(
            "load",
            LAMP,
            "--command",
            "true",
            "--read-command",
            "cp '" + folder.resolve("wrong.hex") + "' {out}");
    assertThat(wrong.status()).isEqualTo(1);
    assertThat(wrong.json().get("verified").booleanValue()).isFalse();
    assertThat(Ran.run("load", LAMP, "--command", "false").status()).isEqualTo(1);
    assertThat(Ran.run("load", LAMP, "--command", "cp 'open").status()).isEqualTo(2);
    assertThat(Ran.run("load", LAMP, "--command", "cp", "--read-command", "cat").status())
        .isEqualTo(2);
  }

  @Test
  void whatIsNoPortIsBadInput() {
    assertThat(Ran.run("load", LAMP, "--port", "/dev/no-such-port").status()).isEqualTo(2);
    assertThat(Ran.run("load", LAMP).status()).isEqualTo(2);
    assertThat(Ran.run("load", LAMP, "--port", "sim:main").status()).isEqualTo(2);
    assertThat(Ran.run("load", LAMP, "--port", "sim:none", "--kit", KIT).status()).isEqualTo(2);
    Ran odd = Ran.run("load", LAMP, "--port", "drive:.", "--protocol", "page");
    assertThat(odd.status()).isEqualTo(2);
  }

  private List<String> steps(String moment) throws IOException {
    Path kit = Files.createDirectories(folder.resolve(moment));
    String text = Files.readString(Path.of(KIT, "kit.json"));
    String id = "\"id\": \"lamp\",";
    Files.writeString(
        kit.resolve("kit.json"), text.replace(id, id + " \"moment\": \"" + moment + "\","));
    Files.copy(Path.of(LAMP), kit.resolve("lamp.hex"));
    JsonNode plan = Ran.runJson("plan", kit.toString()).json();
    List<String> ids = new java.util.ArrayList<>();
    plan.get("steps").forEach(step -> ids.add(step.get("id").stringValue()));
    return ids;
  }

  @Test
  void aProgramThatGoesInEarlyIsAStepBeforeItsChip() throws IOException {
    List<String> early = steps("in-socket");
    assertThat(early).contains("load:lamp", "insert:U1");
    assertThat(early.indexOf("load:lamp")).isLessThan(early.indexOf("insert:U1"));
    assertThat(steps("awake")).doesNotContain("load:lamp");
    Path bad = Files.createDirectories(folder.resolve("bad"));
    Files.writeString(
        bad.resolve("kit.json"),
        Files.readString(Path.of(KIT, "kit.json"))
            .replace("\"id\": \"lamp\",", "\"id\": \"lamp\", \"moment\": \"later\","));
    Files.copy(Path.of(LAMP), bad.resolve("lamp.hex"));
    Ran checked = Ran.run("check", bad.toString());
    assertThat(checked.status()).isEqualTo(1);
    assertThat(checked.out() + checked.err()).contains("before-fit").contains("moment");
  }
}
