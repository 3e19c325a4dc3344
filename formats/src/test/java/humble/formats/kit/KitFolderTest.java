package humble.formats.kit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import humble.core.circuit.DcOutcome;
import humble.core.circuit.DcSolver;
import humble.core.kit.BoardState;
import humble.core.kit.Finding;
import humble.core.kit.Kit;
import humble.core.kit.Parts;
import humble.core.kit.Peripheral;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

class KitFolderTest {
  @TempDir Path folder;

  private static String glowmoth() {
    try {
      return Files.readString(DemoKits.glowmoth().resolve("kit.json"));
    } catch (IOException e) {
      throw new AssertionError(e);
    }
  }

  private KitRead read(String json) throws IOException {
    Files.writeString(folder.resolve("kit.json"), json);
    return KitFolder.at(folder).read();
  }

  private static List<String> errors(KitRead read) {
    return read.findings().stream().filter(Finding::isError).map(Finding::toString).toList();
  }

  static List<Path> kits() {
    return DemoKits.all();
  }

  @ParameterizedTest
  @MethodSource("kits")
  void everyDemoKitOpensWithoutAnyFinding(Path kit) {
    assertThat(KitFolder.at(kit).read())
        .isInstanceOfSatisfying(
            KitRead.Opened.class, opened -> assertThat(opened.findings()).isEmpty());
  }

  @Test
  void theBadgeIsWhatItsDescriptionSays() {
    Kit kit = DemoKits.readGlowmoth();
    Parts parts = Parts.of(kit);
    assertThat(parts.all()).hasSizeBetween(45, 60);
    assertThat(kit.options()).hasSize(2);
    assertThat(kit.placeOf("J4").orElseThrow().rowHoles()).isEqualTo(14);
    assertThat(parts.socketOf("U1")).contains("SK1");
    assertThat(kit.peripherals().getFirst())
        .isInstanceOfSatisfying(
            Peripheral.Matrix.class, matrix -> assertThat(matrix.lights()).hasSize(20));
  }

  /** Every light of the badge shines at its own turn and no other one does. */
  @Test
  void theBadgesNetsDriveEveryLightAlone() {
    Kit kit = DemoKits.readGlowmoth();
    Parts parts = Parts.of(kit);
    Peripheral.Matrix matrix = (Peripheral.Matrix) kit.peripherals().getFirst();
    BoardState idle = kit.state("idle").orElseThrow();
    for (Peripheral.Light light : matrix.lights()) {
      BoardState turn = idle.withDrive(Map.of(light.anodePin(), "high", light.cathodePin(), "low"));
      DcOutcome outcome = new DcSolver(parts).solve(turn, List.of());
      assertThat(outcome).isInstanceOf(DcOutcome.Solved.class);
      ((DcOutcome.Solved) outcome)
          .result()
          .parts()
          .forEach((ref, current) -> {
            if (ref.startsWith("LED")) {
              assertThat(current.lit())
                  .as(ref + " at the turn of " + light.ref())
                  .isEqualTo(ref.equals(light.ref()));
            }
          });
    }
  }

  @Test
  void allProblemsOfAFileComeAtOnceWithPointers() throws IOException {
    String json =
        glowmoth()
            .replace("\"x_mm\": 30", "\"x_mm\": \"thirty\"")
            .replace("\"mount\": \"socketed\"", "\"mount\": \"glued\"")
            .replace("\"R12\"", "\"R99\"")
            .replace("\"default\": \"soft\"", "\"default\": \"silent\"");
    List<String> errors = errors(read(json));
    assertThat(errors)
        .anySatisfy(e -> assertThat(e).startsWith("kit.json#/places/1/x_mm: A number"))
        .anySatisfy(e -> assertThat(e).contains("/mount: There is no mount 'glued'."))
        .anySatisfy(e -> assertThat(e).contains("No line lists R12."))
        .anySatisfy(e -> assertThat(e).startsWith("kit.json#/options/0/default: "));
  }

  @Test
  void readingAFileThatFailsChangesNothing() throws IOException {
    String json = glowmoth().replace("\"mount\": \"socketed\"", "\"mount\": \"glued\"");
    read(json);
    try (var files = Files.list(folder)) {
      assertThat(files.map(f -> f.getFileName().toString())).containsExactly("kit.json");
    }
    assertThat(Files.readString(folder.resolve("kit.json"))).isEqualTo(json);
  }

  /** How a display is set up is read, and what is not understood of it is said. */
  @Test
  void theSetUpOfADisplayIsReadWithEverythingThatIsWrongInIt() throws IOException {
    String wrong = glowmoth().replace("\"rotate\": 0", "\"rotate\": 45, \"rotat\": 1");
    assertThat(errors(read(wrong)))
        .singleElement()
        .satisfies(e -> assertThat(e).contains("/config/rotate: A display turns by quarter turns"));
    String other = glowmoth().replace("\"x_offset\": 0", "\"x_offset\": -3, \"rotat\": 1");
    KitRead read = read(other);
    assertThat(read.findings())
        .anySatisfy(f -> {
          assertThat(f.level()).isEqualTo(Finding.Level.NOTE);
          assertThat(f.where()).endsWith("/config/rotat");
        });
    assertThat(
            ((KitRead.Opened) read)
                .kit().peripherals().stream()
                    .filter(humble.core.kit.Peripheral.Display.class::isInstance)
                    .map(humble.core.kit.Peripheral.Display.class::cast)
                    .map(display -> display.config().get("x-offset-px")))
        .containsExactly("-3");
  }

  @Test
  void settingsOfAKitAreReadAndJudged() throws IOException {
    String with =
        glowmoth()
            .replace(
                "\"firmware\": {",
                "\"firmware\": {\"settings\": [{\"id\":\"a\",\"file\":\"../x.h\",\"key\":\"A\",\"low\":9,\"high\":1},"
                    + "{\"id\":\"b\",\"file\":\"x.json\",\"one_of\":[\"B\"],\"labels\":{\"D\":\"d\"}},"
                    + "{\"id\":\"c\",\"file\":\"x.yaml\",\"same_as\":{\"what\":\"mood\",\"of\":\"main\"}},"
                    + "{\"id\":\"d\",\"file\":\"x.json\",\"one_of\":[\"B\"],\"key\":\"C\"}],");
    assertThat(errors(read(with)))
        .anySatisfy(e -> assertThat(e).contains("/settings/0/low: It is above 'high'"))
        .anySatisfy(e -> assertThat(e).contains("/settings/1/key: In JSON a choice has a 'key'"))
        .anySatisfy(e -> assertThat(e).contains("/settings/2: It has 'one_of'"))
        .anySatisfy(e -> assertThat(e).contains("/settings/2/same_as/what: It is one of clock"))
        .noneSatisfy(e -> assertThat(e).contains("/settings/3"))
        .anySatisfy(e -> assertThat(e).contains("/settings/1/labels: 'D' is none"))
        .anySatisfy(e -> assertThat(e).contains("/settings/2/file: Settings are read in headers"));
    String twice =
        "{\"id\":\"a\",\"file\":\"../x.h\",\"key\":\"A\"}, {\"id\":\"a\",\"file\":\"y.h\",\"key\":\"B\"}";
    assertThat(
            errors(
                read(
                    glowmoth()
                        .replace(
                            "\"firmware\": {", "\"firmware\": {\"settings\": [" + twice + "],"))))
        .anySatisfy(e -> assertThat(e).contains("Two settings are called 'a'"));
    KitRead missing =
        read(
            glowmoth()
                .replace(
                    "\"firmware\": {",
                    "\"firmware\": {\"settings\": ["
                        + twice.replace("\"a\",\"file\":\"y", "\"b\",\"file\":\"y")
                        + "],"));
    assertThat(missing.findings())
        .anySatisfy(f -> assertThat(f.text()).contains("'../x.h' leads out of the kit"))
        .anySatisfy(f -> assertThat(f.text()).contains("The file y.h is not there"));
  }

  @Test
  void unknownKeysAreNotesAndMissingFilesWarnings() throws IOException {
    KitRead read =
        read(glowmoth().replace("\"revision\": \"B\",", "\"revision\": \"B\", \"mood\": 3,"));
    assertThat(read).isInstanceOf(KitRead.Opened.class);
    assertThat(read.findings())
        .anySatisfy(f -> {
          assertThat(f.level()).isEqualTo(Finding.Level.NOTE);
          assertThat(f.where()).endsWith("/mood");
        })
        .anySatisfy(f -> {
          assertThat(f.level()).isEqualTo(Finding.Level.WARNING);
          assertThat(f.text()).contains("lamp.hex");
        });
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "{ \"format\": }|line 1",
        "[]|An object",
        "{\"format\":\"humble-kit/1\"} x|line 1",
        "''|An object",
        "{\"id\":1,\"id\":2}|line 1",
        "{\"format\":\"humble-kit/2\",\"id\":\"a\",\"name\":\"b\"}|humble-kit/1"
      })
  void whatIsNoKitIsRefusedWithAPlace(String json, String says) throws IOException {
    assertThat(errors(read(json))).isNotEmpty().anySatisfy(e -> assertThat(e).contains(says));
  }

  @Test
  void jsonThatNestsTooDeepIsRefused() throws IOException {
    assertThat(errors(read("{\"a\":" + "[".repeat(100) + "]".repeat(100) + "}"))).isNotEmpty();
  }

  @Test
  void aMissingFolderSaysWhatIsMissing() {
    assertThat(errors(KitFolder.at(folder.resolve("nowhere")).read()))
        .singleElement()
        .satisfies(e -> assertThat(e).contains("kit.json").contains("does not exist"));
  }

  private Path zip(String... names) throws IOException {
    Path file = folder.resolve("kit.hckit");
    try (OutputStream out = Files.newOutputStream(file);
        ZipOutputStream zip = new ZipOutputStream(out)) {
      for (String name : names) {
        zip.putNextEntry(new ZipEntry(name));
        zip.write(
            name.endsWith("kit.json")
                ? glowmoth().getBytes(StandardCharsets.UTF_8)
                : Files.readAllBytes(DemoKits.glowmoth().resolve("lamp.hex")));
        zip.closeEntry();
      }
    }
    return file;
  }

  @Test
  void anArchiveIsReadAtItsRootAndInsideOneFolder() throws IOException {
    assertThat(KitFolder.at(zip("kit.json", "lamp.hex")).read().findings()).isEmpty();
    assertThat(KitFolder.at(zip("glowmoth/kit.json", "glowmoth/lamp.hex")).read())
        .isInstanceOfSatisfying(KitRead.Opened.class, o -> assertThat(o.findings()).isEmpty());
  }

  @Test
  void anArchiveThatLeadsOutOfItsFolderIsRefused() throws IOException {
    assertThat(errors(KitFolder.at(zip("kit.json", "../../evil")).read()))
        .singleElement()
        .satisfies(e -> assertThat(e).contains("leads out of the kit"));
  }

  @ParameterizedTest
  @CsvSource({"../secret", "/etc/passwd", "a/../../b", "''", "a\\b"})
  void noNameLeadsOutOfTheFolder(String name) {
    assertThatThrownBy(() -> KitFolder.at(DemoKits.glowmoth()).bytes(name))
        .isInstanceOf(IOException.class)
        .hasMessageContaining("leads out");
  }

  @Test
  void aLinkThatLeadsOutIsNotFollowed() throws IOException {
    Path secret = Files.writeString(folder.resolve("secret"), "x");
    Path kit = Files.createDirectory(folder.resolve("kit"));
    Files.createSymbolicLink(kit.resolve("lamp.hex"), secret);
    assertThatThrownBy(() -> KitFolder.at(kit).bytes("lamp.hex")).hasMessageContaining("leads out");
  }

  @Test
  void aByteOrderMarkIsReadOverAndWhatIsNoUtf8IsSaid() throws IOException {
    String kit = "{\"format\":\"humble-kit/1\",\"id\":\"k\",\"name\":\"Müde\"}";
    Files.write(folder.resolve("kit.json"), ("\ufeff" + kit).getBytes(StandardCharsets.UTF_8));
    assertThat(KitFolder.at(folder).read()).isInstanceOf(KitRead.Opened.class);
    Files.write(folder.resolve("kit.json"), kit.getBytes(StandardCharsets.ISO_8859_1));
    assertThat(errors(KitFolder.at(folder).read()))
        .singleElement()
        .asString()
        .contains("not written in UTF-8");
  }

  @Test
  void wordsThatAreOneOfAFewAreNotTakenForOthers() throws IOException {
    List<String> errors =
        errors(
            read(
                """
                {"format":"humble-kit/1","id":"k","name":"k",
                 "lines":[{"id":"r","kind":"resistor","value":"1k","package":"axial-quarter-watt",
                   "refs":["R1"],"supplied":1,"home":"nowhere"}],
                 "tasks":[{"id":"t","kind":"polish","title":"x"}],
                 "states":[{"id":"s"}],
                 "gates":[{"id":"g","measure":"smell","at":["R1.1","R1.2"],"state":"s"}]}
                """));
    assertThat(errors)
        .anyMatch(text -> text.contains("/lines/0/home: There is no home 'nowhere'."))
        .anyMatch(text -> text.contains("/tasks/0/kind: There is no task kind 'polish'."))
        .anyMatch(text -> text.contains("/gates/0/measure: There is no measure 'smell'."));
  }

  @Test
  void aPeripheralOfAnUnknownKindIsAnError() throws IOException {
    Files.writeString(
        folder.resolve("kit.json"),
        "{\"format\":\"humble-kit/1\",\"id\":\"k\",\"name\":\"K\",\"peripherals\":[{\"id\":\"a\","
            + "\"kind\":\"martix\"},{\"id\":\"b\",\"kind\":\"tone\"}]}");
    assertThat(errors(KitFolder.at(folder).read()))
        .singleElement()
        .asString()
        .startsWith("kit.json#/peripherals/0/kind: There is no peripheral kind 'martix'.")
        .contains("matrix, display");
  }
}
