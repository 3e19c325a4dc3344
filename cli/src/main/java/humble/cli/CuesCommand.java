package humble.cli;

import humble.core.kit.PartKind;
import humble.core.orient.Cue;
import humble.core.orient.CueBelief;
import humble.core.words.Phrase;
import humble.core.words.Words;
import humble.formats.InputFile;
import humble.formats.ReadingBudget;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Weighs the marks seen on one part. */
@Command(name = "cues", description = "Say which lead is the anode, from the marks seen on a part.")
final class CuesCommand extends humble.cli.Command {
  /** One part has a handful of cues. */
  private static final long MOST_BYTES = 1 << 20;

  private static final Words WORDS = Words.core(Locale.ENGLISH);

  @Option(
      names = "--part",
      required = true,
      paramLabel = "FILE|-",
      description = "A JSON file with kind, leads and cues; - reads standard input.")
  @Nullable Path part;

  @Override
  Answer answer() {
    JsonNode tree = tree(Objects.requireNonNull(part));
    List<String> problems = new ArrayList<>();
    PartKind kind = PartKind.named(tree.path("kind").asString("")).orElse(null);
    if (kind == null) {
      problems.add("#/kind: there is no part kind '" + tree.path("kind").asString("") + "'.");
    }
    List<String> leads = new ArrayList<>();
    tree.path("leads").forEach(lead -> leads.add(lead.asString("")));
    if (leads.size() != 2 || leads.getFirst().equals(leads.getLast())) {
      problems.add("#/leads: two different names are expected here.");
    }
    List<CueBelief.Seen> cues = new ArrayList<>();
    for (int i = 0; i < tree.path("cues").size(); i++) {
      cue(tree.path("cues").get(i), "#/cues/" + i, leads, cues, problems);
    }
    if (!problems.isEmpty() || kind == null) {
      throw new BadInput(problems);
    }
    CueBelief belief = CueBelief.of(kind, leads, cues);
    String next = belief.next().map((Phrase phrase) -> WORDS.say(phrase)).orElse(null);
    String lead = belief.lead() == null ? "unknown" : "lead " + belief.lead();
    List<String> text = new ArrayList<>();
    text.add(String.format(Locale.ROOT, "%s, %.1f %% sure", lead, belief.belief() * 100));
    if (belief.trust() != null) {
      text.add("The marks disagree; trust the " + belief.trust().text() + " more.");
    }
    if (next != null) {
      text.add("Next: " + next + ".");
    }
    return new Answer(
        Answer.object(
            "anode",
            lead,
            "belief",
            belief.belief(),
            "conflict",
            belief.conflict(),
            "trust",
            belief.trust() == null ? null : belief.trust().text(),
            "next",
            next),
        text,
        false);
  }

  private static void cue(
      JsonNode node,
      String where,
      List<String> leads,
      List<CueBelief.Seen> cues,
      List<String> problems) {
    Cue cue = Cue.named(node.path("cue").asString("")).orElse(null);
    String at = node.path("at").asString("");
    double reliability = node.path("reliability").asDouble(cue == null ? 0.9 : cue.reliability());
    if (cue == null) {
      problems.add(where + "/cue: there is no cue '" + node.path("cue").asString("") + "'.");
    }
    if (!leads.contains(at)) {
      problems.add(where + "/at: there is no lead '" + at + "'.");
    }
    if (!(reliability >= 0.5 && reliability < 1)) {
      problems.add(where + "/reliability: it lies from 0.5 to below 1.");
    } else if (cue != null && leads.contains(at)) {
      cues.add(new CueBelief.Seen(cue, at, reliability));
    }
  }

  private static JsonNode tree(Path path) {
    try {
      byte[] bytes =
          path.toString().equals("-")
              ? InputFile.limited(System.in, 0, MOST_BYTES)
              : InputFile.bytes(path, MOST_BYTES, ReadingBudget.usual());
      JsonNode tree = new JsonMapper().readTree(bytes);
      if (!tree.isObject()) {
        throw new BadInput(path + ": an object is expected here.");
      }
      return tree;
    } catch (IOException e) {
      throw new BadInput(path + ": " + InputFile.reason(e));
    } catch (JacksonException e) {
      throw new BadInput(path + ": it is no JSON: " + e.getOriginalMessage());
    }
  }
}
