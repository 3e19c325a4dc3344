package humble.formats.kit;

import humble.core.build.KitChange;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * A kit file as a tree that can be walked and changed piece by piece; every change becomes one that
 * can be laid over the file. A place is the way to it: keys, and numbers of entries from 0.
 */
public final class KitTree {
  private static final JsonMapper JSON = new JsonMapper();
  private static final int SHOWN = 46;

  /** What says that a file is a kit: it is never changed. */
  private static final String FORMAT = "format";

  /** What is changed most often comes first. */
  private static final List<String> FIRST =
      List.of(
          "lines",
          "places",
          "nets",
          "gates",
          "states",
          "supplies",
          "tasks",
          "options",
          "cautions",
          "peripherals",
          "enclosure",
          "boards",
          "packages",
          "rules",
          "sheet");

  /** By what an entry is called, the first that it has. */
  private static final List<String> NAMES =
      List.of("id", "ref", "name", "at", "do", "because", "n");

  private final ObjectNode root;
  private final KitShape shape;

  private KitTree(ObjectNode root, KitShape shape) {
    this.root = root;
    this.shape = shape;
  }

  /**
   * Reads the tree of a kit with some more changes.
   *
   * @throws IOException with one sentence, when it cannot be read
   */
  public static KitTree of(KitFolder folder, List<KitChange> more) throws IOException {
    byte[] text = ChangedKit.of(folder.bytes("kit.json"), more);
    try {
      return new KitTree((ObjectNode) JSON.readTree(text), KitShape.read());
    } catch (JacksonException | ClassCastException e) {
      throw new IOException("kit.json: This is no kit file.", e);
    }
  }

  /** One thing below a place: the last step of the way to it, and what stands there now. */
  public record Item(String step, String shown, boolean said) {}

  /** Gives what may stand at a place. */
  public KitShape shape(List<String> way) {
    KitShape at = shape;
    for (String step : way) {
      at = at.kind() == KitShape.Kind.LIST ? at.entry() : at.at(step);
    }
    return at;
  }

  private JsonNode node(List<String> way) {
    JsonNode at = root;
    for (String step : way) {
      at = at.isArray() ? at.path(number(step)) : at.path(step);
    }
    return at;
  }

  private static int number(String step) {
    try {
      return Integer.parseInt(step);
    } catch (NumberFormatException e) {
      return -1;
    }
  }

  /** Tells whether anything stands at a place. */
  public boolean isSaid(List<String> way) {
    return !node(way).isMissingNode();
  }

  /** Gives what stands at a place, in one short line. */
  public String shown(List<String> way) {
    return shown(node(way));
  }

  private static String shown(JsonNode node) {
    String text =
        switch (node) {
          case ArrayNode list when list.isEmpty() -> "";
          case ArrayNode list when list.get(0).isArray() ->
              String.join("; ", list.valueStream().map(KitTree::shown).toList());
          case ArrayNode list when list.get(0).isValueNode() ->
              String.join(" ", list.valueStream().map(JsonNode::asString).toList());
          case ArrayNode list -> String.valueOf(list.size());
          case ObjectNode object -> name(object);
          default -> node.isMissingNode() ? "" : node.asString("");
        };
    return text.length() > SHOWN ? text.substring(0, SHOWN - 1) + "…" : text;
  }

  private static String name(ObjectNode object) {
    return NAMES.stream()
        .filter(object::has)
        .map(key -> object.path(key).asString(""))
        .findFirst()
        .orElseGet(() -> String.valueOf(object.size()));
  }

  /** Gives what is below a place: what may stand there and what does. */
  public List<Item> below(List<String> way) {
    JsonNode here = node(way);
    KitShape at = shape(way);
    List<Item> items = new ArrayList<>();
    if (at.kind() == KitShape.Kind.LIST) {
      for (int i = 0; i < here.size(); i++) {
        items.add(new Item(String.valueOf(i), shown(here.get(i)), true));
      }
      return items;
    }
    List<String> keys = new ArrayList<>(way.isEmpty() ? FIRST : List.of());
    at.keys().stream().filter(key -> !keys.contains(key)).forEach(keys::add);
    if (way.isEmpty()) {
      keys.remove(FORMAT);
    }
    here.propertyNames().stream()
        .filter(key -> !keys.contains(key) && !(way.isEmpty() && key.equals(FORMAT)))
        .forEach(keys::add);
    for (String key : keys) {
      items.add(new Item(key, shown(here.path(key)), here.has(key)));
    }
    return items;
  }

  /**
   * Gives the change that sets a place.
   *
   * @param typed what was typed: a number, a word, texts divided by blanks
   * @return the change; empty where that cannot stand there
   */
  public Optional<KitChange> set(List<String> way, String typed) {
    KitShape at = shape(way);
    Optional<JsonNode> value =
        switch (at.kind()) {
          case TEXT -> Optional.of(JSON.getNodeFactory().stringNode(typed));
          case CHOICE ->
              at.choices().contains(typed)
                  ? Optional.of(JSON.getNodeFactory().stringNode(typed))
                  : Optional.empty();
          case NUMBER -> number(typed, way);
          case FLAG -> Optional.of(JSON.getNodeFactory().booleanNode(typed.equals("yes")));
          case LIST -> list(at.entry(), typed);
          case OBJECT -> Optional.empty();
        };
    return value.map(node -> changed(way, node));
  }

  private static Optional<JsonNode> number(String typed, List<String> way) {
    try {
      double number = Double.parseDouble(typed.replace(',', '.'));
      boolean whole = number == Math.rint(number) && Math.abs(number) < 1e15;
      return !Double.isFinite(number) || way.isEmpty()
          ? Optional.empty()
          : Optional.of(
              whole
                  ? JSON.getNodeFactory().numberNode((long) number)
                  : JSON.getNodeFactory().numberNode(number));
    } catch (NumberFormatException e) {
      return Optional.empty();
    }
  }

  private static Optional<JsonNode> list(KitShape entry, String typed) {
    ArrayNode list = JSON.createArrayNode();
    if (entry.kind() == KitShape.Kind.LIST) {
      for (String inner : typed.split(";")) {
        list(entry.entry(), inner).ifPresent(list::add);
      }
      return Optional.of(list);
    }
    for (String word : typed.strip().split("[\\s,;]+")) {
      if (entry.kind() == KitShape.Kind.NUMBER) {
        Optional<JsonNode> number = number(word, List.of(""));
        if (number.isEmpty()) {
          return Optional.empty();
        }
        list.add(number.get());
      } else if (!word.isEmpty()) {
        list.add(word);
      }
    }
    return Optional.of(list);
  }

  /**
   * Gives the change that adds an entry to the list or object at a place.
   *
   * @param name its id, or the key that it stands under
   */
  public KitChange added(List<String> way, String name) {
    KitShape at = shape(way);
    List<String> to = new ArrayList<>(way);
    if (at.kind() == KitShape.Kind.LIST) {
      to.add(String.valueOf(node(way).size()));
      KitShape entry = at.entry();
      if (entry.kind() == KitShape.Kind.OBJECT) {
        ObjectNode made = JSON.createObjectNode();
        NAMES.stream()
            .filter(entry.keys()::contains)
            .findFirst()
            .ifPresent(key -> made.put(key, name));
        return changed(to, made);
      }
      return changed(to, JSON.getNodeFactory().stringNode(name));
    }
    to.add(name);
    return changed(to, empty(at.at(name)));
  }

  private static JsonNode empty(KitShape at) {
    return switch (at.kind()) {
      case LIST -> JSON.createArrayNode();
      case OBJECT -> JSON.createObjectNode();
      case TEXT, CHOICE -> JSON.getNodeFactory().stringNode("");
      case NUMBER -> JSON.getNodeFactory().numberNode(0);
      case FLAG -> JSON.getNodeFactory().booleanNode(false);
    };
  }

  /** Gives the change after which nothing stands at a place. */
  public KitChange removed(List<String> way) {
    return changed(way, JSON.missingNode());
  }

  /** The smallest change of the file that makes one of the tree. */
  private KitChange changed(List<String> way, JsonNode value) {
    String section = way.getFirst();
    ObjectNode copy = root.deepCopy();
    put(copy, way, value);
    JsonNode now = copy.path(section);
    if (way.size() == 1 || !ChangedKit.isKeyed(section) || now.isMissingNode()) {
      return new KitChange(section, "", now.isMissingNode() ? "" : now.toString());
    }
    if (now.isObject()) {
      JsonNode entry = now.path(way.get(1));
      return new KitChange(section, way.get(1), entry.isMissingNode() ? "" : entry.toString());
    }
    return entry(section, way, value, now);
  }

  private KitChange entry(String section, List<String> way, JsonNode value, JsonNode now) {
    String key = ChangedKit.keyOf(section);
    JsonNode before = node(way.subList(0, 2));
    String id = before.path(key).asString("");
    if (way.size() == 2 && value.isMissingNode()) {
      return new KitChange(section, id, "");
    }
    JsonNode after = now.path(number(way.get(1)));
    if (id.isEmpty() || !after.path(key).asString("").equals(id)) {
      // A new entry, or one that is called otherwise from now on.
      return id.isEmpty() && !after.path(key).asString("").isEmpty()
          ? new KitChange(section, after.path(key).asString(""), after.toString())
          : new KitChange(section, "", now.toString());
    }
    ObjectNode keys = JSON.createObjectNode();
    for (String each : new TreeSet<>(names(before, after))) {
      if (!before.path(each).equals(after.path(each))) {
        keys.set(each, after.has(each) ? after.get(each) : JSON.nullNode());
      }
    }
    return new KitChange(section, id, ((JsonNode) keys).toString());
  }

  private static List<String> names(JsonNode a, JsonNode b) {
    List<String> names = new ArrayList<>(a.propertyNames());
    names.addAll(b.propertyNames());
    return names;
  }

  private static void put(ObjectNode root, List<String> way, JsonNode value) {
    JsonNode at = root;
    for (int i = 0; i < way.size() - 1; i++) {
      String step = way.get(i);
      JsonNode next = at.isArray() ? at.path(number(step)) : at.path(step);
      if (next.isMissingNode() && at instanceof ObjectNode object) {
        boolean list = number(way.get(i + 1)) >= 0;
        next = list ? object.putArray(step) : object.putObject(step);
      }
      at = next;
    }
    String last = way.getLast();
    if (at instanceof ObjectNode object) {
      if (value.isMissingNode()) {
        object.remove(last);
      } else {
        object.set(last, value);
      }
    } else if (at instanceof ArrayNode list) {
      int index = number(last);
      if (value.isMissingNode() && index < list.size()) {
        list.remove(index);
      } else if (index < list.size()) {
        list.set(index, value);
      } else {
        list.add(value);
      }
    }
  }

  /** Gives a key as it is spoken: its unit in brackets. */
  public static String spoken(String key) {
    for (Map.Entry<String, String> unit :
        Map.of("_mm", "mm", "_ma", "mA", "_v", "V", "_pct", "%", "_deg", "°", "_ohm", "Ω")
            .entrySet()) {
      if (key.endsWith(unit.getKey())) {
        String name = key.substring(0, key.length() - unit.getKey().length());
        return name.replace('_', ' ') + " (" + unit.getValue() + ")";
      }
    }
    return key.replace('_', ' ').toLowerCase(Locale.ROOT);
  }
}
