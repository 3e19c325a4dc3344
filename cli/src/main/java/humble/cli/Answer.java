package humble.cli;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * What a command answers.
 *
 * @param json one object, keys in order
 * @param text the same for people, line by line
 * @param no whether the answer is "no"
 */
record Answer(Map<String, @Nullable Object> json, List<String> text, boolean no) {
  Answer {
    text = List.copyOf(text);
  }

  /** Gives an ordered object of alternating keys and values. */
  static Map<String, @Nullable Object> object(@Nullable Object... keysAndValues) {
    Map<String, @Nullable Object> object = new LinkedHashMap<>();
    for (int i = 0; i < keysAndValues.length; i += 2) {
      object.put(String.valueOf(keysAndValues[i]), keysAndValues[i + 1]);
    }
    return object;
  }
}
