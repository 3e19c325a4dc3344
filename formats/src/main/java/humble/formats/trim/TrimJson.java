package humble.formats.trim;

import humble.core.trim.Goal;
import humble.core.trim.Knob;
import humble.core.trim.TrimState;
import humble.core.words.ForeignText;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import tools.jackson.core.JacksonException;
import tools.jackson.core.StreamReadConstraints;
import tools.jackson.core.json.JsonFactory;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Reads everything known while something is trimmed: the knobs, the reading, the tries in their
 * order.
 */
public final class TrimJson {
  private static final int MOST_KNOBS = 4;
  private static final int MOST_TRIES = 2000;
  private static final JsonMapper JSON =
      JsonMapper.builder(
              JsonFactory.builder()
                  .streamReadConstraints(
                      StreamReadConstraints.builder()
                          .maxNestingDepth(16)
                          .maxNumberLength(100)
                          .build())
                  .build())
          .build();

  private final List<String> problems = new ArrayList<>();
  private final List<Knob> knobs = new ArrayList<>();

  private TrimJson() {}

  /**
   * What reading came to.
   *
   * @param state empty when there are problems
   * @param problems each with its place
   */
  public record Read(Optional<TrimState> state, List<String> problems) {
    public Read {
      problems = List.copyOf(problems);
    }
  }

  /** Reads a text; all problems come at once. */
  public static Read read(String text) {
    TrimJson json = new TrimJson();
    TrimState state = null;
    try {
      JsonNode root = JSON.readTree(text);
      if (root == null || !root.isObject()) {
        json.problem("#", "An object is expected here.");
      } else {
        state = json.state(root);
      }
    } catch (JacksonException e) {
      String message = e.getOriginalMessage();
      json.problem(
          "#", message == null ? "It is no JSON." : message.lines().findFirst().orElse(""));
    }
    return new Read(
        json.problems.isEmpty() ? Optional.ofNullable(state) : Optional.empty(), json.problems);
  }

  private void problem(String where, String text) {
    problems.add(where + ": " + text);
  }

  private TrimState state(JsonNode root) {
    unknown(root, "#", Set.of("knobs", "reading", "tries"));
    JsonNode all = root.path("knobs");
    if (!all.isArray() || all.isEmpty() || all.size() > MOST_KNOBS) {
      problem("#/knobs", "One to four knobs are trimmed together.");
    } else {
      Set<String> ids = new HashSet<>();
      for (int i = 0; i < all.size(); i++) {
        knob(all.get(i), "#/knobs/" + i, ids);
      }
    }
    JsonNode reading = root.path("reading");
    if (!reading.isObject()) {
      problem("#/reading", "The reading is missing: its unit, and what is wanted of it.");
    }
    unknown(reading, "#/reading", Set.of("unit", "goal", "step", "noise", "what"));
    Goal goal = goal(reading.path("goal"));
    double step = least(reading, "#/reading", "step");
    double noise = least(reading, "#/reading", "noise");
    List<TrimState.Try> tries = tries(root.path("tries"));
    return new TrimState(knobs, reading.path("unit").asString(""), goal, step, noise, tries);
  }

  /** What nobody here knows is said, since it would change nothing. */
  private void unknown(JsonNode node, String where, Set<String> known) {
    if (node.isObject()) {
      node.propertyNames().stream()
          .filter(key -> !known.contains(key))
          .forEach(key ->
              problem(where + "/" + ForeignText.shown(key), "Nothing is known by that name."));
    }
  }

  private void knob(JsonNode node, String where, Set<String> ids) {
    unknown(node, where, Set.of("id", "low", "high", "step", "ref"));
    String id = node.path("id").asString("");
    if (id.isBlank() || !ids.add(id)) {
      problem(where + "/id", "Every knob has a name of its own.");
    }
    double low = number(node.path("low"), where + "/low", 0);
    double high = number(node.path("high"), where + "/high", 1);
    double step = least(node, where, "step");
    if (!(low < high) || !Double.isFinite(high - low)) {
      problem(where + "/high", "The upper end lies above the lower one, and both are of a size.");
    } else if (step > high - low) {
      problem(where + "/step", "A step is no larger than the way between the ends.");
    } else {
      knobs.add(new Knob(id, low, high, step));
    }
  }

  private double least(JsonNode node, String where, String key) {
    double value = number(node.path(key), where + "/" + key, 0);
    if (value < 0) {
      problem(where + "/" + key, "This is not less than 0.");
    }
    return value;
  }

  private double number(JsonNode node, String where, double otherwise) {
    if (node.isMissingNode()) {
      return otherwise;
    }
    if (!node.isNumber() || !Double.isFinite(node.doubleValue())) {
      problem(where, "A number is expected here.");
      return otherwise;
    }
    return node.doubleValue();
  }

  private Goal goal(JsonNode node) {
    if (node.isNumber() && Double.isFinite(node.doubleValue())) {
      return new Goal.Reach(node.doubleValue());
    }
    String text = node.asString("");
    if (text.equals("min") || text.equals("max")) {
      return text.equals("min") ? Goal.MIN : Goal.MAX;
    }
    problem("#/reading/goal", "What is wanted is \"min\", \"max\" or a number.");
    return Goal.MIN;
  }

  private List<TrimState.Try> tries(JsonNode all) {
    List<TrimState.Try> tries = new ArrayList<>();
    if (!all.isMissingNode() && !all.isArray()) {
      problem("#/tries", "A list is expected here; an empty one asks for the first setting.");
    }
    if (all.size() > MOST_TRIES) {
      problem("#/tries", "More than " + MOST_TRIES + " tries are not read.");
      return tries;
    }
    for (int i = 0; i < all.size(); i++) {
      String where = "#/tries/" + i;
      JsonNode at = all.get(i).path("at");
      unknown(all.get(i), where, Set.of("at", "reads"));
      List<Double> settings = new ArrayList<>();
      for (Knob knob : knobs) {
        JsonNode setting = at.path(knob.id());
        if (!setting.isNumber()) {
          problem(where + "/at/" + ForeignText.shown(knob.id()), "Its setting is missing.");
        } else if (setting.doubleValue() < knob.low() || setting.doubleValue() > knob.high()) {
          problem(where + "/at/" + ForeignText.shown(knob.id()), "It cannot be turned there.");
        }
        settings.add(setting.doubleValue(knob.low()));
      }
      JsonNode reads = all.get(i).path("reads");
      if (reads.isMissingNode()) {
        problem(where + "/reads", "What was read there is missing.");
      }
      tries.add(new TrimState.Try(settings, number(reads, where + "/reads", 0)));
    }
    return tries;
  }
}
