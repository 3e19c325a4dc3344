package humble.formats.kit;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.SequencedMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/**
 * A folder of board files and what each of them is: by the file function attribute of Gerber X2, by
 * the first records of a drill file or netlist, else by words in its name.
 *
 * @param byRole file by the role it has in a kit file
 * @param others files whose role could not be told
 */
public record BoardFiles(SequencedMap<String, Path> byRole, List<Path> others) {
  private static final int MOST_FILES = 500;
  private static final int HEAD_BYTES = 8192;
  private static final Pattern FUNCTION =
      Pattern.compile("TF\\.FileFunction,([A-Za-z]+)(?:,([A-Za-z0-9]+))?(?:,([A-Za-z]+))?");

  public BoardFiles {
    others = List.copyOf(others);
  }

  /**
   * Looks through a folder, not into folders within.
   *
   * @throws IOException with one sentence for people
   */
  public static BoardFiles in(Path folder) throws IOException {
    if (!Files.isDirectory(folder)) {
      throw new IOException(folder + ": This is no folder of board files.");
    }
    List<Path> files;
    try (Stream<Path> list = Files.list(folder)) {
      files =
          list.filter(Files::isRegularFile)
              .filter(file -> !name(file).startsWith("."))
              .sorted()
              .limit(MOST_FILES + 1L)
              .toList();
    }
    if (files.isEmpty()) {
      throw new IOException(folder + ": The folder holds no files.");
    }
    if (files.size() > MOST_FILES) {
      throw new IOException(folder + ": The folder holds more than " + MOST_FILES + " files.");
    }
    SequencedMap<String, Path> byRole = new LinkedHashMap<>();
    List<Path> others = new ArrayList<>();
    for (Path file : files) {
      Optional<String> role = role(file);
      if (role.isEmpty() || byRole.putIfAbsent(role.get(), file) != null) {
        others.add(file);
      }
    }
    return new BoardFiles(byRole, others);
  }

  /** Gives every file of the folder. */
  public List<Path> all() {
    return Stream.concat(byRole.values().stream(), others.stream()).toList();
  }

  /** Gives the files by role as a kit refers to them, in {@code folder} of the kit. */
  public Map<String, String> within(String folder) {
    Map<String, String> names = new LinkedHashMap<>();
    byRole.forEach((role, file) -> names.put(role, folder + "/" + name(file)));
    return names;
  }

  private static String name(Path file) {
    return String.valueOf(file.getFileName());
  }

  private static Optional<String> role(Path file) throws IOException {
    String head;
    try (InputStream in = Files.newInputStream(file)) {
      head = new String(in.readNBytes(HEAD_BYTES), StandardCharsets.ISO_8859_1);
    }
    Matcher function = FUNCTION.matcher(head);
    if (function.find()) {
      return byFunction(function.group(1), function.group(2), function.group(3));
    }
    if (head.lines().limit(20).anyMatch(line -> line.strip().equals("M48"))) {
      return Optional.of("drill");
    }
    if (head.lines()
        .limit(60)
        .anyMatch(line -> line.matches("(327|317)[A-Za-z0-9_/+().-].{20,}"))) {
      return Optional.of("netlist");
    }
    return head.contains("%FS") || head.contains("%MO") ? byName(name(file)) : Optional.empty();
  }

  private static Optional<String> byFunction(String kind, String first, String second) {
    String which = first == null ? "" : first;
    String side = which.equals("Top") || which.equals("Bot") ? which : second == null ? "" : second;
    String end = side.equals("Top") ? "_top" : side.equals("Bot") ? "_bottom" : "";
    return switch (kind) {
      case "Copper" -> end.isEmpty() ? Optional.empty() : Optional.of("copper" + end);
      case "Soldermask" -> end.isEmpty() ? Optional.empty() : Optional.of("mask" + end);
      case "Legend" -> end.isEmpty() ? Optional.empty() : Optional.of("legend" + end);
      case "Profile" -> Optional.of("profile");
      case "Plated" -> Optional.of("drill");
      default -> Optional.empty();
    };
  }

  private static Optional<String> byName(String file) {
    String name = file.toLowerCase(Locale.ROOT);
    if (name.matches(".*(profile|outline|edge|contour).*")) {
      return Optional.of("profile");
    }
    String side =
        name.matches(".*(bottom|bot|back|solder.?side).*")
            ? "_bottom"
            : name.matches(".*(top|front|component.?side).*") ? "_top" : "";
    if (side.isEmpty()) {
      return Optional.empty();
    }
    if (name.matches(".*(mask).*")) {
      return Optional.of("mask" + side);
    }
    if (name.matches(".*(legend|silk|print).*")) {
      return Optional.of("legend" + side);
    }
    return name.matches(".*(copper|cu|layer|metal).*")
        ? Optional.of("copper" + side)
        : Optional.empty();
  }
}
