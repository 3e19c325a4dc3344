package humble.formats.kit;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SequencedMap;
import java.util.stream.Stream;

/**
 * A folder of board files and what each of them is: by what stands in it, else by its name.
 *
 * @param byRole file by the role it has in a kit file
 * @param byItsName those of them that only their names tell
 * @param others files whose role could not be told
 * @param unclear those of them that hold the drawing of a layer
 */
public record BoardFiles(
    SequencedMap<String, Path> byRole,
    SequencedMap<String, Path> byItsName,
    List<Path> others,
    List<Path> unclear) {
  /** Every role that a file can be given; inner layers count from the top. */
  public static final List<String> ROLES =
      List.of(
          "copper_top",
          "copper_bottom",
          "mask_top",
          "mask_bottom",
          "legend_top",
          "legend_bottom",
          "profile",
          "copper_2",
          "copper_3",
          "paste_top",
          "paste_bottom");

  private static final int MOST_FILES = 500;
  private static final int HEAD_BYTES = 8192;

  public BoardFiles {
    others = List.copyOf(others);
    unclear = List.copyOf(unclear);
  }

  /**
   * Gives these files with roles that somebody told.
   *
   * @param told role by file; an empty one says that it is no layer of the board
   */
  public BoardFiles with(Map<Path, String> told) {
    SequencedMap<String, Path> roles = new LinkedHashMap<>(byRole);
    List<Path> rest = new ArrayList<>(others);
    List<Path> asked = new ArrayList<>(unclear);
    told.forEach((file, role) -> {
      asked.remove(file);
      if (!role.isEmpty() && !roles.containsKey(role) && rest.remove(file)) {
        roles.put(role, file);
      }
    });
    return new BoardFiles(roles, byItsName, rest, asked);
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
    SequencedMap<String, Path> byItsName = new LinkedHashMap<>();
    List<Path> others = new ArrayList<>();
    List<Path> unclear = new ArrayList<>();
    for (Path file : files) {
      String head = head(file);
      Optional<FileRole> role = FileRole.of(name(file), head);
      if (role.isEmpty()) {
        others.add(file);
        if (FileRole.isUnclear(name(file), head)) {
          unclear.add(file);
        }
        continue;
      }
      String name = role.get().name();
      if (name.startsWith("drill") && byRole.containsKey(name)) {
        name = free(byRole, name);
      }
      Path before = byRole.putIfAbsent(name, file);
      if (before == null) {
        if (!role.get().sure()) {
          byItsName.put(name, file);
        }
      } else if (role.get().sure() && byItsName.remove(name, before)) {
        byRole.put(name, file);
        others.add(before);
      } else {
        others.add(file);
      }
    }
    return new BoardFiles(byRole, byItsName, others, unclear);
  }

  /** Several files may drill: blind holes, slots and round ones come apart. */
  private static String free(Map<String, Path> byRole, String role) {
    int n = 2;
    while (byRole.containsKey(role + "_" + n)) {
      n++;
    }
    return role + "_" + n;
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

  private static String head(Path file) throws IOException {
    try (InputStream in = Files.newInputStream(file)) {
      return new String(in.readNBytes(HEAD_BYTES), StandardCharsets.ISO_8859_1);
    }
  }
}
