package humble.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

class IntakeCommandsTest {
  private static final String KIT =
      Path.of(System.getProperty("humble.root", ".."), "kits", "glowmoth").toString();

  @TempDir Path folder;

  private record Ran(int status, String out, String err) {
    JsonNode json() {
      return new JsonMapper().readTree(out);
    }
  }

  private static Ran run(String... arguments) {
    StringWriter out = new StringWriter();
    StringWriter err = new StringWriter();
    int status = Humble.run(new PrintWriter(out, true), new PrintWriter(err, true), arguments);
    return new Ran(status, out.toString(), err.toString());
  }

  private String file(String name, String text) throws IOException {
    return Files.writeString(folder.resolve(name), text).toString();
  }

  private String in(String name) {
    return folder.resolve(name).toString();
  }

  @Test
  void aPastedSheetBecomesAKitThatOpens() throws IOException {
    String sheet = file("sheet.txt", "3 x 10k brown-black-orange R1 R4 R9\n2 x 104 C1, C2\n");
    Ran ran = run("import", "--paste", sheet, "-o", in("lantern"), "--json");
    assertThat(ran.status()).isZero();
    JsonNode json = ran.json();
    assertThat(json.propertyNames()).contains("lines", "guessed", "problems");
    assertThat(json.get("lines").isArray()).isTrue();
    assertThat(json.get("lines")).hasSize(2);
    assertThat(json.get("guessed").get(0).propertyNames())
        .contains("line", "key", "value", "confidence", "because");
    assertThat(run("check", in("lantern"), "--json").out()).contains("\"problems\":[]");
    assertThat(run("plan", in("lantern")).status()).isZero();
  }

  @Test
  void rowProblemsAreAnswersAndTheKitIsStillWritten() throws IOException {
    String list = file("list.csv", "Ref,Value\nR1,10k\nR2-C4,1k\n");
    Ran ran = run("import", "--bom", list, "-o", in("kit.hckit"), "--json");
    assertThat(ran.status()).isEqualTo(1);
    JsonNode problem = ran.json().get("problems").get(0);
    assertThat(problem.get("where").stringValue()).isEqualTo("list.csv line 3");
    assertThat(problem.get("level").stringValue()).isEqualTo("error");
    assertThat(run("check", in("kit.hckit")).status()).isZero();
  }

  @Test
  void whatCannotBeUsedIsTwoAndWritesNothing() throws IOException {
    String list = file("list.csv", "one,two\nthree,four\n");
    String good = file("good.csv", "Ref,Value\nR1,10k\n");
    Ran ran =
        run(
            "import",
            "--bom",
            list,
            "--paste",
            in("none.txt"),
            "--board",
            in("nowhere"),
            "-o",
            in("kit"));
    assertThat(ran.status()).isEqualTo(2);
    assertThat(ran.out()).isEmpty();
    assertThat(ran.err().lines()).hasSize(3);
    assertThat(folder.resolve("kit")).doesNotExist();
    assertThat(run("import", "-o", in("kit")).status()).isEqualTo(2);
    assertThat(run("import", "--bom", good, "-o", in("kit")).status()).isZero();
    assertThat(run("import", "--bom", good, "-o", in("kit")).err()).contains("--force");
    assertThat(run("import", "--bom", good, "-o", in("kit"), "--force").status()).isZero();
  }

  @Test
  void labelsAreWrittenAndNotOverwritten() throws IOException {
    Ran ran = run("labels", KIT, "-o", in("cups.pdf"), "--json");
    assertThat(ran.json().get("written").stringValue()).isEqualTo(in("cups.pdf"));
    assertThat(Files.readAllBytes(folder.resolve("cups.pdf"))).startsWith('%', 'P', 'D', 'F');
    assertThat(run("labels", KIT, "-o", in("cups.pdf")).err()).contains("--force");
    assertThat(run("labels", in("nowhere"), "-o", in("x.pdf")).status()).isEqualTo(2);
    assertThat(folder.resolve("x.pdf")).doesNotExist();
  }

  @Test
  void inductorBandsAndMetersWithRanges() {
    Ran bands = run("read", "bands", "ye,vt,bn,gd", "--as", "inductor", "--json");
    assertThat(bands.json().get("readings").get(0).get("henries").doubleValue()).isEqualTo(470e-6);
    assertThat(run("read", "bands", "ye,vt", "--as", "inductor").err()).contains("not 2");
    assertThat(run("read", "bands", "ye,vt,bn", "--as", "boat").status()).isEqualTo(2);
    Ran match =
        run("match", KIT, "--value", "2.2k", "--meter", "200:0.8%+3@0.1,20k:0.8%+3@10", "--json");
    assertThat(match.json().get("low").doubleValue()).isEqualTo(2200 - 17.6 - 30);
    assertThat(match.json().get("decision").stringValue()).isEqualTo("r2k2");
    assertThat(run("match", KIT, "--value", "2.2k", "--meter", "2k:1%+1@1,200:1%+1@1").status())
        .isEqualTo(2);
  }

  @Test
  void theSheetOfTheConversionIsRepairedAndAKitWithoutSheetHasNoSuchPlan() throws IOException {
    String vane = Path.of(KIT).resolveSibling("weathercock").toString();
    Ran ran = run("plan", vane, "--school", "sheet", "--json");
    assertThat(ran.status()).isZero();
    assertThat(ran.json().get("repairs").get(0).stringValue()).startsWith("U1 moved later");
    assertThat(ran.json().get("score").get(0).intValue()).isEqualTo(1);
    String list = file("list.csv", "Ref,Value\nR1,10k\n");
    run("import", "--bom", list, "-o", in("kit"));
    Ran none = run("plan", in("kit"), "--school", "blocks");
    assertThat(none.status()).isEqualTo(1);
    assertThat(none.out()).contains("no blocks");
  }

  @Test
  void boardFilesAreKeptInTheKit() throws IOException {
    Files.createDirectories(folder.resolve("fab"));
    file("fab/top.gbr", "%TF.FileFunction,Copper,L1,Top*%\n%FSLAX46Y46*%\nM02*\n");
    file("fab/notes.txt", "two layers");
    String list = file("list.csv", "Ref,Value\nR1,10k\n");
    Ran ran = run("import", "--bom", list, "--board", in("fab"), "-o", in("kit"), "--json");
    assertThat(ran.status()).isZero();
    assertThat(folder.resolve("kit/board/top.gbr")).exists();
    assertThat(folder.resolve("kit/board/notes.txt")).exists();
    assertThat(Files.readString(folder.resolve("kit/kit.json")))
        .contains("\"copper_top\" : \"board/top.gbr\"");
    assertThat(run("check", in("kit")).out()).contains("No problems");
  }

  @Test
  void aMalformedBoardFileIsNamedWithItsLineAndTheRestIsTaken() throws IOException {
    Files.createDirectories(folder.resolve("fab"));
    file("fab/top.gbr", "%TF.FileFunction,Copper,L1,Top*%\n%FSLAX46Y46*%\n%MOMM*%\nD99*\nM02*\n");
    file(
        "fab/edge.gbr",
        "%TF.FileFunction,Profile,NP*%\n%FSLAX46Y46*%\n%MOMM*%\n%ADD10C,0.1*%\nD10*\n"
            + "X10000000Y5000000D02*\nX50000000D01*\nY35000000D01*\nX10000000D01*\nY5000000D01*\nM02*\n");
    String list = file("list.csv", "Ref,Value\nR1,10k\n");
    String places = file("places.csv", "Ref,X,Y\nR1,20,15\n");
    Ran ran =
        run(
            "import",
            "--bom",
            list,
            "--places",
            places,
            "--board",
            in("fab"),
            "-o",
            in("kit"),
            "--json");
    assertThat(ran.status()).isEqualTo(1);
    assertThat(ran.json().get("problems").get(0).get("where").stringValue())
        .isEqualTo("top.gbr line 4");
    String kit = Files.readString(folder.resolve("kit/kit.json"));
    assertThat(kit)
        .contains("\"width_mm\" : 40")
        .contains("\"height_mm\" : 30")
        .contains("\"x_mm\" : 10");
  }

  @Test
  void exportsComeBackThroughImport() {
    for (String as : List.of("bom.csv", "places.csv", "kit.zip")) {
      Ran ran = run("export", KIT, "--as", as, "-o", in(as), "--json");
      assertThat(ran.status()).isZero();
      assertThat(ran.json().get("written").stringValue()).isEqualTo(in(as));
    }
    Ran ran =
        run(
            "import",
            "--bom",
            in("bom.csv"),
            "--places",
            in("places.csv"),
            "-o",
            in("again"),
            "--json");
    assertThat(ran.status()).isZero();
    assertThat(ran.json().get("problems")).isEmpty();
    assertThat(run("check", in("kit.zip")).status()).isZero();
    assertThat(run("export", KIT, "--as", "bom.csv", "-o", in("bom.csv")).status()).isEqualTo(2);
    assertThat(run("export", KIT, "--as", "board.zip", "-o", in("board.zip")).status()).isZero();
    assertThat(run("export", KIT, "--as", "boat", "-o", in("x")).err()).contains("'boat'");
  }
}
