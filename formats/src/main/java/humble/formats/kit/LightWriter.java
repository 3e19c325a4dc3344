package humble.formats.kit;

import humble.core.kit.BoardState;
import humble.core.kit.Peripheral;
import humble.core.wake.LightPlan;
import humble.formats.WholeFile;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.TreeSet;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Writes the lights of a matrix into a kit file that is there; all else in it stays as it is. */
public final class LightWriter {
  private static final JsonMapper JSON =
      JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT).build();

  /** Name of the peripheral and, with a number, of its states. */
  public static final String ID = "lights";

  private static final double RON_OHM = 30;
  private static final double USUAL_V = 5;

  private LightWriter() {}

  /**
   * Writes lights into the kit of a folder, whole or not at all. States and a matrix of the same
   * names are replaced.
   *
   * @param driver chip that drives them
   * @param rows how many of {@code pins} are rows; 0 for none
   * @param pins pins of the driver in order
   * @throws IOException with one sentence, when it cannot be read or written
   */
  public static void write(
      Path folder, LightPlan plan, String driver, int rows, List<String> pins, double vfV)
      throws IOException {
    Path file = folder.resolve("kit.json");
    ObjectNode root;
    try {
      root = (ObjectNode) JSON.readTree(Files.readString(file));
    } catch (JacksonException | ClassCastException e) {
      throw new IOException(file + ": This is no kit file.", e);
    }
    nets(root, plan);
    outputs(root, driver, pins);
    peripheral(root, plan, driver, rows, pins, vfV);
    states(root, plan);
    WholeFile.replace(
        file, (JSON.writeValueAsString(root) + "\n").getBytes(StandardCharsets.UTF_8));
  }

  private static ArrayNode array(ObjectNode root, String key) {
    return root.get(key) instanceof ArrayNode there ? there : root.putArray(key);
  }

  private static ObjectNode object(ObjectNode root, String key) {
    return root.get(key) instanceof ObjectNode there ? there : root.putObject(key);
  }

  private static void nets(ObjectNode root, LightPlan plan) {
    ObjectNode nets = object(root, "nets");
    plan.nets()
        .forEach((net, pins) -> {
          ArrayNode list = array(nets, net);
          pins.forEach(pin -> list.add(pin.toString()));
        });
  }

  /** A pin that drives has some resistance of its own. */
  private static void outputs(ObjectNode root, String driver, List<String> pins) {
    for (JsonNode line : array(root, "lines")) {
      boolean own = false;
      for (JsonNode ref : line.path("refs")) {
        own |= ref.asString().equals(driver);
      }
      if (own && line.get("model") instanceof ObjectNode model) {
        ObjectNode outputs = object(model, "outputs");
        for (String pin : pins) {
          if (!outputs.has(pin)) {
            outputs.putObject(pin).put("ron_ohm", RON_OHM);
          }
        }
      }
    }
  }

  private static void peripheral(
      ObjectNode root, LightPlan plan, String driver, int rows, List<String> pins, double vfV) {
    ArrayNode all = array(root, "peripherals");
    removeNamed(all, List.of(ID));
    ObjectNode matrix = all.addObject();
    matrix.put("id", ID).put("kind", "matrix").put("part", driver);
    List<String> named = pins.stream().map(pin -> driver + "." + pin).toList();
    // Rows and columns say where every light is: of some of them, or of others, pairs tell.
    boolean whole = rows > 0 && isWhole(plan, named, rows);
    matrix.put("wiring", whole ? "rows" : "pairs").put("volts", volts(root)).put("vf_v", vfV);
    if (whole) {
      ArrayNode of = matrix.putArray("rows");
      named.subList(0, rows).forEach(of::add);
      ArrayNode columns = matrix.putArray("columns");
      named.subList(rows, named.size()).forEach(columns::add);
    } else {
      ArrayNode of = matrix.putArray("pins");
      named.forEach(of::add);
      ArrayNode lights = matrix.putArray("lights");
      for (Peripheral.Light light : plan.lights()) {
        lights.addArray().add(light.anodePin()).add(light.cathodePin());
      }
    }
    ArrayNode refs = matrix.putArray("refs");
    plan.lights().forEach(light -> refs.add(light.ref()));
  }

  private static boolean isWhole(LightPlan plan, List<String> named, int rows) {
    int columns = named.size() - rows;
    if (plan.lights().size() != rows * columns) {
      return false;
    }
    for (int i = 0; i < plan.lights().size(); i++) {
      Peripheral.Light light = plan.lights().get(i);
      if (!light.anodePin().equals(named.get(i / columns))
          || !light.cathodePin().equals(named.get(rows + i % columns))) {
        return false;
      }
    }
    return true;
  }

  /** What feeds the board; the usual 5 V where the kit does not say. */
  private static double volts(ObjectNode root) {
    return root.path("supplies").path(0).path("volts").asDouble(USUAL_V);
  }

  private static void states(ObjectNode root, LightPlan plan) {
    ArrayNode all = array(root, "states");
    removeNamed(all, plan.states().stream().map(BoardState::id).toList());
    for (BoardState state : plan.states()) {
      ObjectNode to = all.addObject();
      to.put("id", state.id()).put("title", state.title());
      if (state.supply() != null) {
        to.put("supply", state.supply());
      }
      ObjectNode drive = to.putObject("drive");
      new TreeSet<>(state.drive().keySet()).forEach(pin -> drive.put(pin, state.drive().get(pin)));
    }
  }

  private static void removeNamed(ArrayNode all, List<String> ids) {
    for (int i = all.size() - 1; i >= 0; i--) {
      if (ids.contains(all.get(i).path("id").asString(""))) {
        all.remove(i);
      }
    }
  }
}
