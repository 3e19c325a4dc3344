package humble.store;

import humble.core.build.BuildEvent;
import humble.core.wake.DisplaySetting;
import humble.core.wake.LightNumbers;
import humble.core.wake.Pose;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import tools.jackson.databind.JsonNode;

/**
 * Words that journals hold and that nothing is written by any more: each is read as what took its
 * place.
 */
final class FormerWords {
  private static final String LIGHTS = "LightsSeen";
  private static final String DISPLAY = "DisplaySet";
  private static final String LOADED = "Loaded";

  private FormerWords() {}

  static boolean knows(String word) {
    return word.equals(LIGHTS) || word.equals(DISPLAY) || word.equals(LOADED);
  }

  /**
   * Reads an entry.
   *
   * @throws RuntimeException when a key is missing or is of another kind
   */
  static BuildEvent read(String word, JsonNode body) {
    if (word.equals(LOADED)) {
      return new BuildEvent.Loaded(
          body.required("image").asString(),
          body.required("target").asString(),
          body.required("bytes").longValue(),
          body.required("sha256").asString(),
          body.required("verified").booleanValue(),
          body.required("practice").booleanValue());
    }
    String peripheral = body.required("peripheral").asString();
    boolean practice = body.required("practice").booleanValue();
    return new BuildEvent.Saw(
        peripheral, word.equals(LIGHTS) ? lights(body) : display(body), practice);
  }

  private static Map<String, String> lights(JsonNode body) {
    Set<Integer> dark = new TreeSet<>();
    body.required("dark").forEach(number -> dark.add(number.intValue()));
    return Map.of("dark", LightNumbers.text(dark));
  }

  private static Map<String, String> display(JsonNode body) {
    JsonNode setting = body.required("setting");
    JsonNode pose = setting.required("pose");
    return new DisplaySetting(
            new Pose(pose.required("rotateDeg").intValue(), pose.required("mirror").booleanValue()),
            setting.required("swapRedBlue").booleanValue(),
            setting.required("invert").booleanValue(),
            setting.required("xOffsetPx").intValue(),
            setting.required("yOffsetPx").intValue())
        .facts();
  }
}
