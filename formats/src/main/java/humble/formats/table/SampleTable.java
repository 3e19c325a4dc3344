package humble.formats.table;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;

/**
 * Samples by phase: a header row, then one sample a line.
 *
 * @param columns what was read, in the order asked for
 * @param phases samples by phase and column
 * @param problems what cannot be read, with the line
 */
public record SampleTable(
    List<String> columns, Map<String, Map<String, List<Double>>> phases, List<String> problems) {
  private static final int MOST_SAMPLES = 1_000_000;

  public SampleTable {
    columns = List.copyOf(columns);
    problems = List.copyOf(problems);
  }

  /**
   * Reads a table with a column {@code phase} and {@code columns}; every phase needs a sample.
   *
   * @param name name of the file, for the problems
   */
  public static SampleTable read(
      String name, String text, List<String> phaseNames, List<String> columns) {
    Map<String, Map<String, List<Double>>> phases = new LinkedHashMap<>();
    for (String phase : phaseNames) {
      Map<String, List<Double>> samples = new LinkedHashMap<>();
      columns.forEach(column -> samples.put(column, new ArrayList<>()));
      phases.put(phase, samples);
    }
    List<String> problems = new ArrayList<>();
    List<String> lines = text.lines().limit(MOST_SAMPLES + 2L).toList();
    if (lines.size() > MOST_SAMPLES + 1) {
      problems.add(name + ": it has more than " + MOST_SAMPLES + " samples.");
    } else if (lines.isEmpty()) {
      problems.add(name + ": it is empty.");
    } else {
      rows(name, lines, phases, columns, problems);
    }
    if (problems.isEmpty()) {
      phases.forEach((phase, samples) -> {
        if (samples.values().stream().anyMatch(List::isEmpty)) {
          problems.add(name + ": there is no sample of phase '" + phase + "'.");
        }
      });
    }
    return new SampleTable(columns, phases, problems);
  }

  private static void rows(
      String name,
      List<String> lines,
      Map<String, Map<String, List<Double>>> phases,
      List<String> columns,
      List<String> problems) {
    List<String> header = cells(lines.getFirst());
    List<String> wanted = new ArrayList<>(List.of("phase"));
    wanted.addAll(columns);
    for (String column : wanted) {
      if (!header.contains(column)) {
        problems.add(name + "#1: there is no column '" + column + "'.");
      }
    }
    if (!problems.isEmpty()) {
      return;
    }
    for (int i = 1; i < lines.size(); i++) {
      if (lines.get(i).isBlank()) {
        continue;
      }
      String where = name + "#" + (i + 1) + ": ";
      List<String> cells = cells(lines.get(i));
      if (cells.size() != header.size()) {
        problems.add(
            where + cells.size() + " cells stand in it; the first line has " + header.size() + ".");
        continue;
      }
      Map<String, List<Double>> samples = phases.get(cells.get(header.indexOf("phase")));
      if (samples == null) {
        problems.add(where + "its phase is none of " + String.join(", ", phases.keySet()) + ".");
        continue;
      }
      for (String column : columns) {
        String cell = cells.get(header.indexOf(column));
        if (cell.matches("-?[0-9]{1,12}(\\.[0-9]{1,12})?")) {
          Objects.requireNonNull(samples.get(column)).add(Double.parseDouble(cell));
        } else {
          problems.add(where + "its " + column + " is no number.");
        }
      }
    }
  }

  private static List<String> cells(String line) {
    List<String> cells = new ArrayList<>();
    for (String cell : line.split(",", -1)) {
      cells.add(cell.strip().toLowerCase(Locale.ROOT));
    }
    return cells;
  }

  /** Gives the samples of a phase and a column. */
  public List<Double> of(String phase, String column) {
    return List.copyOf(phases.getOrDefault(phase, Map.of()).getOrDefault(column, List.of()));
  }
}
