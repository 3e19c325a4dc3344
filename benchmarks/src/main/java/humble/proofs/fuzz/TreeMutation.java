package humble.proofs.fuzz;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Changes the tree of a JSON text instead of its bytes, so that what comes of it is still JSON and
 * mostly still a kit: numbers, names taken from elsewhere in it, elements that are left out,
 * doubled or moved.
 */
final class TreeMutation {
  private static final JsonMapper JSON = new JsonMapper();
  private static final double[] NUMBERS = {0, -1, 1, 2, 0.5, 7, 90, 1e-9, 1e6, 1e14, 40, 3.3};

  private TreeMutation() {}

  /** Gives a changed text; empty when {@code bytes} are no JSON object. */
  static Optional<byte[]> of(byte[] bytes, Random random) {
    try {
      JsonNode root = JSON.readTree(new String(bytes, StandardCharsets.UTF_8));
      if (root == null || !root.isObject()) {
        return Optional.empty();
      }
      List<String> texts = new ArrayList<>();
      List<JsonNode> holders = new ArrayList<>();
      gather(root, texts, holders);
      int changes = 1 + random.nextInt(4);
      for (int i = 0; i < changes; i++) {
        change(holders.get(random.nextInt(holders.size())), texts, random);
      }
      return Optional.of(JSON.writeValueAsBytes(root));
    } catch (JacksonException e) {
      // What is no JSON is changed byte by byte.
      return Optional.empty();
    }
  }

  private static void gather(JsonNode node, List<String> texts, List<JsonNode> holders) {
    if (node.isString()) {
      texts.add(node.stringValue());
    }
    if (node.isContainer()) {
      if (!node.isEmpty()) {
        holders.add(node);
      }
      node.forEach(child -> gather(child, texts, holders));
    }
  }

  private static void change(JsonNode holder, List<String> texts, Random random) {
    switch (holder) {
      case ObjectNode object -> change(object, texts, random);
      case ArrayNode array -> change(array, texts, random);
      default -> {}
    }
  }

  private static void change(ObjectNode object, List<String> texts, Random random) {
    List<String> keys = new ArrayList<>(object.propertyNames());
    if (keys.isEmpty()) {
      return;
    }
    String key = keys.get(random.nextInt(keys.size()));
    if (random.nextInt(6) == 0) {
      object.remove(key);
    } else {
      object.set(key, other(object.get(key), texts, random));
    }
  }

  private static void change(ArrayNode array, List<String> texts, Random random) {
    if (array.isEmpty()) {
      return;
    }
    int at = random.nextInt(array.size());
    switch (random.nextInt(5)) {
      case 0 -> array.remove(at);
      case 1 -> array.add(array.get(at).deepCopy());
      case 2 -> array.insert(0, array.remove(at));
      default -> array.set(at, other(array.get(at), texts, random));
    }
  }

  private static JsonNode other(JsonNode node, List<String> texts, Random random) {
    if (node.isNumber()) {
      double value = NUMBERS[random.nextInt(NUMBERS.length)];
      boolean scaled = random.nextBoolean();
      return JSON.getNodeFactory().numberNode(scaled ? node.doubleValue() * (value + 0.1) : value);
    }
    if (node.isString()) {
      return JSON.getNodeFactory().stringNode(texts.get(random.nextInt(texts.size())));
    }
    return node.isBoolean() ? JSON.getNodeFactory().booleanNode(!node.booleanValue()) : node;
  }
}
