package humble.cli;

import humble.core.kit.Line;
import humble.core.kit.Parts;
import humble.core.route.NoPlan;
import humble.core.route.Pace;
import humble.core.route.Plan;
import humble.core.route.Planner;
import humble.core.route.School;
import humble.core.route.Step;
import humble.core.words.Words;
import humble.formats.kit.KitFolder;
import humble.formats.kit.KitRead;
import humble.store.Journal;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Plans the order of work. */
@Command(name = "plan", description = "Plan the order of fitting.")
final class PlanCommand extends humble.cli.Command {
  private static final Words WORDS = Words.core(Locale.ENGLISH);

  @Parameters(paramLabel = "KIT")
  @Nullable Path kit;

  @Option(
      names = "--school",
      paramLabel = "SCHOOL",
      description = "low, sturdy, sheet or blocks (default: ${DEFAULT-VALUE}).")
  String school = "low";

  @Mixin Choosing choosing = new Choosing();

  @Option(names = "--minutes", paramLabel = "N", description = "Length of an evening.")
  @Nullable Double minutes;

  @Option(names = "--lacking", paramLabel = "LINE|REF", description = "What is not in the bag.")
  List<String> lacking = new ArrayList<>();

  @Option(
      names = "--paced",
      description = "Reckon with the pace of this bench's own log (HUMBLE_HOME).")
  boolean paced;

  @Override
  Answer answer() {
    Parts parts = parts(java.util.Objects.requireNonNull(kit));
    School taken = School.named(school).orElse(null);
    List<String> problems = new ArrayList<>();
    if (taken == null) {
      problems.add("--school: it is low, sturdy, sheet or blocks, not '" + school + "'.");
    }
    problems.addAll(choosing.problems(parts.kit()));
    Set<String> missing = missing(parts, problems);
    double evening = minutes == null ? 0 : minutes;
    if (minutes != null && !(evening >= 1)) {
      problems.add("--minutes: an evening has at least 1 minute, not " + minutes + ".");
    }
    if (!problems.isEmpty() || taken == null) {
      throw new BadInput(problems);
    }
    try {
      Pace pace = paced ? paceOfBench() : Pace.USUAL;
      Plan plan = Planner.plan(parts, taken, choosing.choices, evening, missing, List.of(), pace);
      return answer(plan, pace.expected(parts, plan.steps()), pace);
    } catch (NoPlan e) {
      List<String> circle = e.circle().stream().map(WORDS::say).toList();
      List<String> text = new ArrayList<>(List.of("No plan: " + e.getMessage()));
      text.addAll(circle);
      return new Answer(
          Answer.object("school", school, "steps", List.of(), "circle", circle), text, true);
    }
  }

  private Set<String> missing(Parts parts, List<String> problems) {
    Set<String> missing = new TreeSet<>();
    for (String each : lacking) {
      Line line = parts.kit().line(each).orElse(null);
      if (line != null) {
        missing.addAll(line.isByCount() ? List.of("fit:" + line.id()) : line.refs());
      } else if (parts.part(each).isPresent()) {
        missing.add(each);
      } else {
        problems.add("--lacking: there is neither a line nor a part '" + each + "'.");
      }
    }
    return missing;
  }

  private static Pace paceOfBench() {
    try (Journal journal = Bench.open()) {
      return Pace.of(journal.builds().stream().map(journal::build).toList(), PlanCommand::partsAt);
    }
  }

  /** A kit that is gone, or that lies nowhere, teaches nothing. */
  private static Optional<Parts> partsAt(String path) {
    try {
      return KitFolder.at(Path.of(path)).read() instanceof KitRead.Opened opened
          ? Optional.of(Parts.of(opened.kit()))
          : Optional.empty();
    } catch (InvalidPathException e) {
      return Optional.empty();
    }
  }

  private Answer answer(Plan plan, Pace.Expected expected, Pace pace) {
    List<String> text = new ArrayList<>();
    for (Step step : plan.steps()) {
      String what =
          step.isByCount()
              ? step.count() + " x " + step.line()
              : step.refs().isEmpty() ? step.id() : String.join(" ", step.refs());
      text.add(
          String.format(
              Locale.ROOT,
              "%3d  %-6s %-40s %5.1f min  %s",
              step.n(),
              step.act().text(),
              what,
              step.minutes(),
              step.because().isEmpty() ? "" : WORDS.say(step.because().getLast())));
    }
    if (plan.steps().isEmpty()) {
      text.add("There is nothing to put in order: the kit has no part, task or gate.");
    }
    text.add(
        String.format(
            Locale.ROOT,
            "%.0f minutes, eight times in ten %.0f to %.0f; %s",
            plan.minutes(),
            expected.low(),
            expected.high(),
            plan.steps().isEmpty()
                ? "nothing was put in order"
                : plan.optimal()
                    ? "no order of this school is better"
                    : "bounded search: "
                        + score(plan)
                        + ", and no order can be better than "
                        + plan.bound()));
    plan.repairs().forEach(repair -> text.add("Sheet: " + WORDS.say(repair)));
    return new Answer(
        Answer.object(
            "school", plan.school().text(),
            "steps", plan.steps().stream().map(PlanCommand::json).toList(),
            "cost",
                Answer.object(
                    "turns",
                    plan.cost().turns(),
                    "tool_changes",
                    plan.cost().toolChanges(),
                    "changes",
                    plan.cost().changes(),
                    "inversions",
                    plan.cost().inversions(),
                    "exposure",
                    plan.cost().exposure(),
                    "minutes",
                    plan.minutes(),
                    "minutes_80pct",
                    Answer.object("low", expected.low(), "high", expected.high()),
                    "paced_by",
                    pace.seen()),
            "score", plan.cost().score(plan.school()),
            "optimal", plan.optimal(),
            "bound", plan.bound(),
            "sessions",
                plan.sessions().stream()
                    .map(s -> Answer.object("from", s.from(), "to", s.to(), "minutes", s.minutes()))
                    .toList(),
            "blocked",
                plan.blocked().stream()
                    .map(b -> Answer.object("ref", b.ref(), "waits_for", b.waitsFor()))
                    .toList(),
            "violations",
                Stream.concat(plan.violations().stream(), plan.misfits().stream())
                    .map(WORDS::say)
                    .toList(),
            "repairs", plan.repairs().stream().map(WORDS::say).toList()),
        text,
        plan.steps().isEmpty() && plan.blocked().isEmpty());
  }

  private static List<Integer> score(Plan plan) {
    return java.util.Arrays.stream(plan.cost().score(plan.school())).boxed().toList();
  }

  private static Object json(Step step) {
    Map<String, @Nullable Object> json =
        Answer.object(
            "n", step.n(),
            "do", step.act().text(),
            "refs", step.refs(),
            "id", step.id(),
            "board", step.board().isEmpty() ? null : step.board(),
            "side", step.side() == null ? null : step.side().text(),
            "height_mm", step.heightMm(),
            "minutes", step.minutes(),
            "because", step.because().stream().map(WORDS::say).toList());
    if (step.isByCount()) {
      json.put("count", step.count());
    }
    if (step.unattended() > 0) {
      json.put("minutes_unattended", step.unattended());
    }
    if (step.switchOff()) {
      json.put("switch_off_first", true);
    }
    return json;
  }
}
