package humble.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.Set;
import java.util.TreeSet;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** A kit from the files of a board, with no list at all, or with a list and no netlist. */
class BareBoardTest {
  private static final JsonMapper JSON = new JsonMapper();

  @TempDir Path folder = Path.of("");

  private Path board(String name) throws IOException {
    Path to = Files.createDirectories(folder.resolve("files"));
    Path zip = Path.of("../formats/src/test/resources/boards", name + ".zip");
    try (InputStream in = Files.newInputStream(zip);
        ZipInputStream entries = new ZipInputStream(in)) {
      for (ZipEntry e = entries.getNextEntry(); e != null; e = entries.getNextEntry()) {
        Files.write(to.resolve(e.getName()), entries.readAllBytes());
      }
    }
    return to;
  }

  private static JsonNode kit(Path kit) throws IOException {
    return JSON.readTree(Files.readString(kit.resolve("kit.json")));
  }

  private static Set<Set<String>> nets(JsonNode kit) {
    Set<Set<String>> nets = new HashSet<>();
    kit.get("nets")
        .forEach(pins -> {
          Set<String> net = new TreeSet<>();
          pins.forEach(pin -> net.add(pin.stringValue()));
          if (net.size() > 1) {
            nets.add(net);
          }
        });
    return nets;
  }

  @ParameterizedTest
  @ValueSource(strings = {"quay", "sluice", "mole"})
  void theFilesAloneGiveEveryPartItsPlaceAndItsNets(String name) throws Exception {
    Path to = folder.resolve("kit");
    Ran ran = Ran.run("import", "--board", board(name).toString(), "-o", to.toString());
    assertThat(ran.err()).isEmpty();
    JsonNode kit = kit(to);
    assertThat(kit.get("places").size()).isEqualTo(kit.get("lines").size());
    Set<Set<String>> said = new HashSet<>();
    Ran.runJson("board", "nets", folder.resolve("files").toString(), "--from", "netlist")
        .json()
        .get("nets")
        .forEach(net -> {
          Set<String> pins = new TreeSet<>();
          net.get("pads")
              .forEach(pad ->
                  pins.add(pad.get("ref").stringValue() + "." + pad.get("pin").stringValue()));
          said.add(pins);
        });
    assertThat(nets(kit)).isEqualTo(said);
    assertThat(Ran.run("check", to.toString()).status()).isZero();
    assertThat(Ran.runJson("plan", to.toString()).json().get("steps").size()).isGreaterThan(5);
  }

  @Test
  void aPlacementListAndThePadsGiveTheSameNetsWithoutANetlist() throws Exception {
    Path files = board("quay");
    Path first = folder.resolve("kit");
    Ran.run("import", "--board", files.toString(), "-o", first.toString());
    JsonNode known = kit(first);
    StringBuilder list = new StringBuilder("Ref,Value,Package\n");
    known
        .get("lines")
        .forEach(line ->
            list.append(line.get("refs").get(0).stringValue())
                .append(",,")
                .append(line.get("package").stringValue())
                .append('\n'));
    StringBuilder places = new StringBuilder("Ref,X,Y,Rotation,Side\n");
    known
        .get("places")
        .forEach(place ->
            places
                .append(place.get("ref").stringValue())
                .append(',')
                .append(place.get("x_mm").asDouble())
                .append(',')
                .append(place.get("y_mm").asDouble())
                .append(',')
                .append(place.get("rotation_deg").asDouble())
                .append(',')
                .append(place.get("side").stringValue())
                .append('\n'));
    Files.writeString(folder.resolve("list.csv"), list);
    Files.writeString(folder.resolve("places.csv"), places);
    Files.delete(files.resolve("quay.ipc"));
    Path second = folder.resolve("again");
    Ran ran =
        Ran.run(
            "import",
            "--bom",
            folder.resolve("list.csv").toString(),
            "--places",
            folder.resolve("places.csv").toString(),
            "--board",
            files.toString(),
            "-o",
            second.toString());
    assertThat(ran.err()).isEmpty();
    assertThat(nets(kit(second))).isEqualTo(nets(known));
  }

  @Test
  void aBoardThatNamesNoPartNeedsAList() throws Exception {
    Path files = board("quay");
    Files.delete(files.resolve("quay.ipc"));
    Ran ran =
        Ran.run("import", "--board", files.toString(), "-o", folder.resolve("kit").toString());
    assertThat(ran.status()).isEqualTo(2);
    assertThat(ran.err()).contains("The board files name no part; a parts list is needed");
    assertThat(folder.resolve("kit")).doesNotExist();
  }
}
