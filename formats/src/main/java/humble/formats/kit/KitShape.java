package humble.formats.kit;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** What a kit file may hold at a place, by the schema that goes with the program. */
public final class KitShape {
  private static final JsonMapper JSON = new JsonMapper();

  private final JsonNode schema;
  private final JsonNode here;

  private KitShape(JsonNode schema, JsonNode here) {
    this.schema = schema;
    this.here = here;
  }

  /** What stands at a place. */
  public enum Kind {
    /** Keys with something behind each. */
    OBJECT,
    /** Entries one after the other. */
    LIST,
    /** A text. */
    TEXT,
    /** A number. */
    NUMBER,
    /** Yes or no. */
    FLAG,
    /** One of a few words. */
    CHOICE
  }

  /** Reads the schema of kit files. */
  public static KitShape read() {
    try (InputStream in =
        Objects.requireNonNull(KitShape.class.getResourceAsStream("/kit.schema.json"))) {
      JsonNode schema = JSON.readTree(in);
      return new KitShape(schema, schema);
    } catch (IOException e) {
      throw new UncheckedIOException("the schema of kit files cannot be read", e);
    }
  }

  private JsonNode resolved() {
    JsonNode at = here;
    while (at.has("$ref")) {
      at = schema.at(at.get("$ref").asString().substring(1));
    }
    if (at.has("oneOf")) {
      // Of several forms the last is the fullest.
      at = at.get("oneOf").get(at.get("oneOf").size() - 1);
    }
    return at;
  }

  /** Gives what stands here. */
  public Kind kind() {
    JsonNode at = resolved();
    if (at.has("enum")) {
      return Kind.CHOICE;
    }
    String type =
        at.path("type").isArray()
            ? at.path("type").get(0).asString()
            : at.path("type").asString("");
    return switch (type) {
      case "object" -> Kind.OBJECT;
      case "array" -> Kind.LIST;
      case "number", "integer" -> Kind.NUMBER;
      case "boolean" -> Kind.FLAG;
      case "string" -> Kind.TEXT;
      default -> at.has("properties") ? Kind.OBJECT : Kind.TEXT;
    };
  }

  /** Gives the words that may stand here. */
  public List<String> choices() {
    List<String> words = new ArrayList<>();
    resolved().path("enum").forEach(word -> words.add(word.asString()));
    return words;
  }

  /** Gives the keys that may stand here, in the order of the schema. */
  public List<String> keys() {
    return resolved().path("properties").properties().stream().map(Map.Entry::getKey).toList();
  }

  /** Gives the keys that have to stand here. */
  public List<String> required() {
    List<String> keys = new ArrayList<>();
    resolved().path("required").forEach(key -> keys.add(key.asString()));
    return keys;
  }

  /** Tells whether keys of people's own may stand here, such as the names of nets. */
  public boolean takesNames() {
    return resolved().path("additionalProperties").isObject();
  }

  /** Gives what may stand under a key. */
  public KitShape at(String key) {
    JsonNode at = resolved();
    JsonNode named = at.path("properties").path(key);
    return new KitShape(schema, named.isMissingNode() ? at.path("additionalProperties") : named);
  }

  /** Gives what an entry of this list may be. */
  public KitShape entry() {
    JsonNode at = resolved();
    return new KitShape(schema, at.has("items") ? at.get("items") : at.path("prefixItems").path(0));
  }
}
