package humble.cli;

import humble.core.book.Comparison;
import humble.core.build.Build;
import humble.formats.InputFile;
import humble.formats.kit.BuildArchive;
import humble.formats.report.ComparisonPage;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Compares the builds of one kit, from the journals that people handed in. */
@Command(
    name = "compare",
    description = "Compare builds of one kit: where people go wrong, which step takes longest.")
final class CompareCommand extends humble.cli.Command {
  private static final int MOST_FILES = 500;

  @Parameters(
      paramLabel = "FOLDER",
      description = "Files that journal export or archive has written.")
  @Nullable Path folder;

  @Option(names = "-o", paramLabel = "FILE.html", description = "Write a page of it too.")
  @Nullable Path out;

  @Option(names = "--force", description = "Replace an existing file.")
  boolean force;

  @Override
  Answer answer() {
    Path page = out;
    if (page != null && !String.valueOf(page.getFileName()).endsWith(".html")) {
      throw new BadInput("-o: the page ends in .html.");
    }
    Path from = Objects.requireNonNull(folder);
    List<Path> files = files(from);
    Map<String, List<Build>> byKit = new TreeMap<>();
    for (Build build : Scratch.builds(files)) {
      build
          .began()
          .ifPresent(
              began -> byKit.computeIfAbsent(began.kitId(), kit -> new ArrayList<>()).add(build));
    }
    if (byKit.isEmpty()) {
      throw new BadInput(from + ": There is no build in it.");
    }
    Map.Entry<String, List<Build>> kit =
        byKit.entrySet().stream()
            .max(Comparator.comparingInt(each -> each.getValue().size()))
            .orElseThrow();
    Comparison found = Comparison.of(kit.getValue());
    if (page != null) {
      try {
        Written.to(
            page,
            force,
            ComparisonPage.of(kit.getKey(), found, Locale.ENGLISH)
                .getBytes(StandardCharsets.UTF_8));
      } catch (IOException e) {
        throw new BadInput(page + ": it cannot be written: " + InputFile.reason(e));
      }
    }
    return new Answer(
        Answer.object(
            "builds",
            found.builds().stream()
                .map(each ->
                    Answer.object(
                        "id",
                        each.id(),
                        "hours",
                        each.hours(),
                        "first_time_right",
                        each.firstTimeRight().orElse(null)))
                .toList(),
            "steps",
            found.steps().stream()
                .map(each ->
                    Answer.object(
                        "step",
                        each.step(),
                        "median_minutes",
                        each.medianMinutes(),
                        "spread",
                        each.spreadMinutes(),
                        "wrong",
                        each.wrong(),
                        "builds",
                        each.builds()))
                .toList(),
            "kit",
            kit.getKey(),
            "other_kits",
            byKit.keySet().stream().filter(other -> !other.equals(kit.getKey())).toList()),
        text(kit.getKey(), found),
        false);
  }

  private static List<String> text(String kit, Comparison found) {
    List<String> text = new ArrayList<>();
    text.add(kit + ": " + found.builds().size() + " builds");
    found
        .builds()
        .forEach(each ->
            text.add(
                String.format(
                    Locale.ROOT,
                    "%-24s %6.2f h   %s",
                    each.id(),
                    each.hours(),
                    each.firstTimeRight()
                        .map(rate -> Math.round(rate * 100) + " % right the first time")
                        .orElse("nothing fitted"))));
    found.steps().stream()
        .sorted(Comparator.comparingDouble(Comparison.Step::medianMinutes).reversed())
        .forEach(each ->
            text.add(
                String.format(
                    Locale.ROOT,
                    "%-24s %6.2f min, spread %.2f, wrong in %d of %d",
                    each.step(),
                    each.medianMinutes(),
                    each.spreadMinutes(),
                    each.wrong(),
                    each.builds())));
    return text;
  }

  private static List<Path> files(Path from) {
    if (!Files.isDirectory(from)) {
      throw new BadInput(from + ": There is no such folder.");
    }
    try (Stream<Path> all = Files.list(from)) {
      List<Path> files =
          all.filter(Files::isRegularFile)
              .filter(file -> {
                String name = String.valueOf(file.getFileName()).toLowerCase(Locale.ROOT);
                return name.endsWith(".jsonl")
                    || name.endsWith(".json")
                    || name.endsWith(BuildArchive.ENDING);
              })
              .sorted()
              .toList();
      if (files.isEmpty()) {
        throw new BadInput(
            from + ": There is no .jsonl or .json file of a journal and no .hcbuild in it.");
      }
      if (files.size() > MOST_FILES) {
        throw new BadInput(from + ": More than " + MOST_FILES + " files are not compared.");
      }
      return files;
    } catch (IOException e) {
      throw new BadInput(from + ": " + InputFile.reason(e));
    }
  }
}
