package humble.cli;

import humble.core.kit.Kit;
import humble.core.kit.Parts;
import humble.core.kit.Peripheral;
import humble.core.wake.DisplaySetting;
import humble.core.wake.LightMatrix;
import humble.core.wake.LightScan;
import humble.core.wake.LightSuspect;
import humble.core.wake.Pose;
import java.io.IOException;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Says what is seen at wake-up means. */
@Command(
    name = "wake",
    description = "Say what was seen at wake-up means.",
    mixinStandardHelpOptions = true,
    subcommands = {
      WakeCommand.Matrix.class,
      WakeCommand.Display.class,
      WakeChain.class,
      WakeLines.class,
      WakeBus.class,
      WakeAnalog.class
    })
final class WakeCommand {
  /** Dark and ghost lights. */
  @Command(name = "matrix", description = "Say which fault accounts for dark and ghost lights.")
  static final class Matrix extends humble.cli.Command {
    @Option(names = "--kit", required = true, paramLabel = "KIT")
    @Nullable Path kit;

    @Option(names = "--part", required = true, paramLabel = "REF")
    String part = "";

    @Option(
        names = "--dark",
        split = ",",
        paramLabel = "N",
        description = "Lights that stay dark at their own turn.")
    List<Integer> dark = new ArrayList<>();

    @Option(
        names = "--ghost",
        split = ",",
        paramLabel = "N",
        description = "Lights that shine at another's turn.")
    List<Integer> ghosts = new ArrayList<>();

    @Option(
        names = "--dim",
        split = ",",
        paramLabel = "N",
        description = "Lights that are weak at their own turn.")
    List<Integer> dim = new ArrayList<>();

    @Override
    Answer answer() {
      Kit opened = kit(Objects.requireNonNull(kit));
      Peripheral.Matrix matrix = matrix(opened);
      List<String> problems = new ArrayList<>();
      Set<Integer> all = new TreeSet<>(dark);
      all.addAll(ghosts);
      all.addAll(dim);
      for (int light : all) {
        if (light < 1 || light > matrix.lights().size()) {
          problems.add(
              "There is no light "
                  + light
                  + ": they run from 1 to "
                  + matrix.lights().size()
                  + ".");
        }
      }
      if (!problems.isEmpty()) {
        throw new BadInput(problems);
      }
      List<LightSuspect> suspects =
          new LightMatrix(Parts.of(opened), matrix)
              .suspects(
                  new LightScan(new TreeSet<>(dark), new TreeSet<>(ghosts), new TreeSet<>(dim)));
      return suspected(suspects);
    }

    private Peripheral.Matrix matrix(Kit kit) {
      for (Peripheral peripheral : kit.peripherals()) {
        if (peripheral instanceof Peripheral.Matrix matrix
            && (matrix.part().equals(part) || matrix.id().equals(part))) {
          return matrix;
        }
      }
      throw new BadInput("--part: the kit has no matrix of lights at '" + part + "'.");
    }
  }

  /** Gives suspects as an answer, one row for each group. */
  static Answer suspected(List<LightSuspect> suspects) {
    return new Answer(
        Answer.object(
            "suspects",
            suspects.stream()
                .map(s ->
                    Answer.object(
                        "fault",
                        s.fault(),
                        "belief",
                        s.belief(),
                        "explains",
                        s.explains(),
                        "group",
                        s.group()))
                .toList()),
        suspects.isEmpty()
            ? List.of("Nothing to explain.")
            : suspects.stream()
                .map(s ->
                    String.format(
                        Locale.ROOT,
                        "%3.0f %%  %s",
                        s.belief() * 100,
                        String.join(" or ", s.group())))
                .toList(),
        false);
  }

  /** Display settings. */
  @Command(name = "display", description = "Give the setting that turns a display upright.")
  static final class Display extends humble.cli.Command {
    private static final JsonMapper JSON = new JsonMapper();

    @Option(
        names = "--config",
        required = true,
        paramLabel = "JSON",
        description = "The setting in use.")
    String config = "";

    @Option(
        names = "--seen",
        required = true,
        paramLabel = "JSON",
        description = "How a figure sent upright comes out.")
    String seen = "";

    private final List<String> problems = new ArrayList<>();

    @Override
    Answer answer() {
      JsonNode present = object("--config", config);
      JsonNode looks = object("--seen", seen);
      DisplaySetting setting =
          new DisplaySetting(
              pose("--config", present),
              flag(present, "swap_red_blue"),
              flag(present, "invert"),
              whole(present, "x_offset"),
              whole(present, "y_offset"));
      String red = word("--seen", looks, "red_looks", List.of("red", "blue", "cyan", "yellow"));
      String black = word("--seen", looks, "black_looks", List.of("black", "white"));
      boolean inverted = black.equals("white") || red.equals("cyan") || red.equals("yellow");
      DisplaySetting.Seen observed =
          new DisplaySetting.Seen(
              pose("--seen", looks),
              red.equals("blue") || red.equals("yellow"),
              inverted,
              whole(looks, "shift_x"),
              whole(looks, "shift_y"));
      if (!problems.isEmpty()) {
        throw new BadInput(problems);
      }
      DisplaySetting needed = setting.neededFor(observed);
      Object json =
          Answer.object(
              "rotate",
              needed.pose().rotateDeg(),
              "mirror",
              needed.pose().mirror(),
              "swap_red_blue",
              needed.swapRedBlue(),
              "invert",
              needed.invert(),
              "x_offset",
              needed.xOffsetPx(),
              "y_offset",
              needed.yOffsetPx());
      return new Answer(Answer.object("config", json), List.of("Set " + json), false);
    }

    /** A setting is JSON, or a file that holds it. */
    private JsonNode object(String option, String given) {
      String text = given.strip().startsWith("{") ? given : file(option, given);
      if (text.isEmpty()) {
        return JSON.createObjectNode();
      }
      try {
        JsonNode node = JSON.readTree(text);
        if (node.isObject()) {
          return node;
        }
        problems.add(option + ": an object is expected.");
      } catch (JacksonException e) {
        problems.add(option + ": this is no JSON: " + e.getOriginalMessage());
      }
      return JSON.createObjectNode();
    }

    private String file(String option, String name) {
      try {
        return TextInput.text(Path.of(name));
      } catch (IOException | InvalidPathException e) {
        problems.add(option + ": '" + name + "' is neither JSON nor a file that can be read.");
        return "";
      }
    }

    private Pose pose(String option, JsonNode node) {
      int rotate = whole(node, "rotate");
      if (rotate % 90 != 0) {
        problems.add(option + "/rotate: it is 0, 90, 180 or 270.");
        return Pose.UPRIGHT;
      }
      return new Pose(rotate, flag(node, "mirror"));
    }

    private boolean flag(JsonNode node, String key) {
      JsonNode child = node.path(key);
      if (!child.isMissingNode() && !child.isBoolean()) {
        problems.add(key + ": true or false is expected.");
      }
      return child.isBoolean() && child.booleanValue();
    }

    private int whole(JsonNode node, String key) {
      JsonNode child = node.path(key);
      if (!child.isMissingNode() && !child.isInt()) {
        problems.add(key + ": a whole number is expected.");
        return 0;
      }
      return child.isInt() ? child.intValue() : 0;
    }

    private String word(String option, JsonNode node, String key, List<String> words) {
      JsonNode child = node.path(key);
      String text = child.isString() ? child.stringValue() : words.getFirst();
      if (!words.contains(text)) {
        problems.add(option + "/" + key + ": it is one of " + String.join(", ", words) + ".");
      }
      return text;
    }
  }
}
