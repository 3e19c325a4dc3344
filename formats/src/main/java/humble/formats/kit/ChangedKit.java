package humble.formats.kit;

import humble.core.build.KitChange;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * A kit file with changes laid over it. A change sets the keys it names and leaves the others,
 * those that nobody here knows included; an entry that is not there yet comes last.
 */
final class ChangedKit {
  private static final JsonMapper JSON =
      JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT).build();

  /** By what the entries of a section are told apart, where that is not {@code id}. */
  private static final Map<String, String> KEYS =
      Map.of("places", "ref", "modules", "ref", "hosts", "name");

  /** Sections whose entries are keys of an object. */
  private static final List<String> OBJECTS = List.of("nets");

  /** Sections whose entries are told apart by what they are called. */
  private static final List<String> KEYED =
      List.of(
          "boards",
          "lines",
          "places",
          "nets",
          "packages",
          "loose",
          "options",
          "tasks",
          "blocks",
          "gates",
          "supplies",
          "states",
          "peripherals",
          "windings",
          "cables",
          "wires",
          "modules");

  private ChangedKit() {}

  /** Gives a changed kit file without photos of fitted boards that the file itself has not. */
  static byte[] withoutFitted(byte[] changed, byte[] file) throws IOException {
    try {
      JsonNode root = JSON.readTree(changed);
      Set<JsonNode> own = new HashSet<>();
      for (JsonNode board : JSON.readTree(file).path("boards")) {
        board.path("photos").forEach(own::add);
      }
      boolean any = false;
      for (JsonNode board : root.path("boards")) {
        if (board.path("photos") instanceof ArrayNode photos) {
          int before = photos.size();
          photos.removeIf(photo -> photo.path("fitted").asBoolean(false) && !own.contains(photo));
          any |= photos.size() < before;
          if (photos.isEmpty() && board instanceof ObjectNode named) {
            named.remove("photos");
          }
        }
      }
      return any
          ? (JSON.writeValueAsString(root) + "\n").getBytes(StandardCharsets.UTF_8)
          : changed;
    } catch (JacksonException e) {
      throw new IOException("kit.json cannot be read: " + e.getOriginalMessage(), e);
    }
  }

  /** Tells whether entries of a section can be changed one by one. */
  static boolean isKeyed(String section) {
    return KEYED.contains(section);
  }

  /** Gives the key by which the entries of a section are told apart. */
  static String keyOf(String section) {
    return KEYS.getOrDefault(section, "id");
  }

  /**
   * Gives the text of a kit file with changes.
   *
   * @throws IOException with one sentence, when the file is none or a change is damaged
   */
  static byte[] of(byte[] kitJson, List<KitChange> changes) throws IOException {
    try {
      if (!(JSON.readTree(kitJson) instanceof ObjectNode root)) {
        throw new IOException("kit.json: An object is expected here.");
      }
      lay(root, changes);
      return (JSON.writeValueAsString(root) + "\n").getBytes(StandardCharsets.UTF_8);
    } catch (JacksonException e) {
      throw new IOException("a change of this kit cannot be read: " + e.getOriginalMessage(), e);
    }
  }

  /**
   * Lays changes over the tree of a kit file.
   *
   * @throws IOException with one sentence, when a change is damaged
   */
  static void lay(ObjectNode root, List<KitChange> changes) throws IOException {
    try {
      for (KitChange change : changes) {
        apply(root, change);
      }
    } catch (JacksonException e) {
      throw new IOException("a change of this kit cannot be read: " + e.getOriginalMessage(), e);
    }
  }

  private static void apply(ObjectNode root, KitChange change) throws IOException {
    String section = change.section();
    if (change.id().isEmpty()) {
      set(root, section, change.json());
    } else if (OBJECTS.contains(section)) {
      ObjectNode object =
          root.get(section) instanceof ObjectNode there ? there : root.putObject(section);
      set(object, change.id(), change.json());
    } else {
      ArrayNode entries =
          root.get(section) instanceof ArrayNode there ? there : root.putArray(section);
      entry(entries, KEYS.getOrDefault(section, "id"), change);
      if (entries.isEmpty()) {
        root.remove(section);
      }
    }
  }

  private static void set(ObjectNode object, String key, String json) {
    if (json.isEmpty()) {
      object.remove(key);
    } else {
      object.set(key, JSON.readTree(json));
    }
  }

  private static void entry(ArrayNode entries, String key, KitChange change) throws IOException {
    int at = -1;
    for (int i = 0; i < entries.size(); i++) {
      if (entries.get(i).path(key).asString("").equals(change.id())) {
        at = i;
      }
    }
    if (change.json().isEmpty()) {
      if (at >= 0) {
        entries.remove(at);
      }
      return;
    }
    if (!(JSON.readTree(change.json()) instanceof ObjectNode keys)) {
      throw new IOException("a change of '" + change.section() + "' is damaged");
    }
    ObjectNode entry =
        at >= 0 && entries.get(at) instanceof ObjectNode there
            ? there
            : entries.addObject().put(key, change.id());
    for (Map.Entry<String, JsonNode> each : keys.properties()) {
      if (each.getValue().isNull()) {
        entry.remove(each.getKey());
      } else {
        entry.set(each.getKey(), each.getValue());
      }
    }
  }
}
