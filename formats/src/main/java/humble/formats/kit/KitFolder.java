package humble.formats.kit;

import humble.core.kit.Board;
import humble.core.kit.Finding;
import humble.core.kit.Kit;
import humble.core.kit.KitCheck;
import humble.core.stock.Strips;
import humble.formats.board.BoardCompletion;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import tools.jackson.core.JacksonException;
import tools.jackson.core.StreamReadConstraints;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.core.json.JsonFactory;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * A kit on disk: a folder, or the same folder zipped, with a {@code kit.json} and the files it
 * refers to.
 *
 * <p>Nothing in it is trusted: JSON nests at most 64 deep, archives hold at most 4,000 entries and
 * 256 MiB, and no name leads out of the folder. Reading never writes.
 */
public final class KitFolder {
  private static final int DEEPEST = 64;
  private static final int MOST_ENTRIES = 4000;
  private static final long MOST_BYTES = 256L << 20;
  private static final JsonMapper JSON =
      JsonMapper.builder(
              JsonFactory.builder()
                  .streamReadConstraints(
                      StreamReadConstraints.builder().maxNestingDepth(DEEPEST).build())
                  .build())
          .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
          .enable(DeserializationFeature.FAIL_ON_TRAILING_TOKENS)
          .build();

  private final Path at;

  private KitFolder(Path at) {
    this.at = at;
  }

  /** Gives the kit at a folder, its {@code kit.json}, or an archive; nothing is read yet. */
  public static KitFolder at(Path path) {
    boolean file = path.getFileName() != null && path.getFileName().toString().equals("kit.json");
    Path parent = path.toAbsolutePath().getParent();
    return new KitFolder(file && parent != null ? parent : path);
  }

  /** Gives where the kit is. */
  public Path path() {
    return at;
  }

  /** Reads and checks the kit; all problems come at once. */
  public KitRead read() {
    byte[] bytes;
    try {
      bytes = bytes("kit.json");
    } catch (IOException e) {
      return refused(
          "kit.json", "There is no kit.json that can be read in " + at + ": " + reason(e), false);
    }
    return parse(bytes);
  }

  /** Gives a kit of this folder with the marks of its board files, where it names none itself. */
  public Kit withMarks(Kit kit) {
    return BoardCompletion.withMarks(kit, this::bytes);
  }

  /**
   * Reads and checks the kit in the text of a {@code kit.json}, with board files looked up in this
   * folder.
   */
  KitRead parse(byte[] bytes) {
    JsonNode tree;
    try {
      tree = JSON.readTree(new String(bytes, StandardCharsets.UTF_8));
    } catch (JacksonException e) {
      int line = e.getLocation() == null ? 1 : e.getLocation().getLineNr();
      int column = e.getLocation() == null ? 1 : e.getLocation().getColumnNr();
      return refused("kit.json#line " + line + ", column " + column, firstLine(e), false);
    }
    Findings findings = new Findings();
    if (!tree.isObject()) {
      return refused("kit.json#", "An object is expected here.", false);
    }
    Kit written = new KitJson(new Cursor(tree, "", findings)).read();
    List<Finding> all = new ArrayList<>(findings.all());
    Kit kit = BoardCompletion.of(written, this::bytes, all);
    all.addAll(KitCheck.of(kit));
    all.addAll(Strips.findings(kit));
    boardFiles(kit, all);
    boolean refused = all.stream().anyMatch(Finding::isError);
    return refused ? new KitRead.Refused(all, true) : new KitRead.Opened(kit, all);
  }

  private void boardFiles(Kit kit, List<Finding> all) {
    for (int i = 0; i < kit.boards().size(); i++) {
      Board board = kit.boards().get(i);
      for (String role : new java.util.TreeSet<>(board.files().keySet())) {
        fileIsThere(
            "/boards/" + i + "/files/" + Cursor.escape(role),
            board.files().getOrDefault(role, ""),
            all);
      }
    }
    for (int i = 0; i < kit.firmware().images().size(); i++) {
      fileIsThere("/firmware/images/" + i + "/file", kit.firmware().images().get(i).file(), all);
    }
  }

  private void fileIsThere(String pointer, String name, List<Finding> all) {
    if (!inside(name)) {
      all.add(Finding.error("kit.json#" + pointer, "'" + name + "' leads out of the kit."));
      return;
    }
    try {
      bytes(name);
    } catch (IOException e) {
      all.add(Finding.warning("kit.json#" + pointer, "The file " + name + " is not there."));
    }
  }

  /**
   * Reads a file of the kit.
   *
   * @throws IOException when it is missing, too large, or its name leads out of the kit
   */
  public byte[] bytes(String name) throws IOException {
    if (!inside(name)) {
      throw new IOException("'" + name + "' leads out of the kit");
    }
    if (Files.isDirectory(at)) {
      Path file = at.resolve(name);
      if (!file.toRealPath().startsWith(at.toRealPath())) {
        throw new IOException("'" + name + "' leads out of the kit");
      }
      if (Files.size(file) > MOST_BYTES) {
        throw new IOException("it is larger than 256 MiB");
      }
      return Files.readAllBytes(file);
    }
    return zipped(name);
  }

  /**
   * Gives the bytes of an archive of this kit: the kit file as it stands, unknown keys included,
   * and every other file of the folder. The same kit gives the same bytes.
   *
   * @throws IOException when something cannot be read, or would make an archive that cannot be
   *     opened here
   */
  public byte[] archive() throws IOException {
    SortedMap<String, byte[]> files = new TreeMap<>();
    long bytes = 0;
    for (String name : names()) {
      byte[] content = bytes(name);
      bytes += content.length;
      if (files.size() >= MOST_ENTRIES || bytes > MOST_BYTES) {
        throw new IOException("the kit is larger than 4000 files or 256 MiB");
      }
      files.put(name, content);
    }
    byte[] kitJson = bytes("kit.json");
    files.remove("kit.json");
    return KitWriter.zip(kitJson, files);
  }

  /** Names of all files; hidden ones and links stay out. */
  private List<String> names() throws IOException {
    if (!Files.isDirectory(at)) {
      try (ZipFile zip = new ZipFile(at.toFile())) {
        String prefix = prefix(zip);
        return zip.stream()
            .filter(entry -> !entry.isDirectory() && entry.getName().startsWith(prefix))
            .map(entry -> entry.getName().substring(prefix.length()))
            .toList();
      }
    }
    try (Stream<Path> walk = Files.walk(at)) {
      return walk.filter(file -> Files.isRegularFile(file, LinkOption.NOFOLLOW_LINKS))
          .map(file -> at.relativize(file).toString().replace('\\', '/'))
          .filter(name -> !name.startsWith(".") && !name.contains("/."))
          .sorted()
          .limit(MOST_ENTRIES + 1L)
          .toList();
    }
  }

  private static boolean inside(String name) {
    Path path = Path.of(name).normalize();
    return !name.isEmpty() && !path.isAbsolute() && !path.startsWith("..") && !name.contains("\\");
  }

  private byte[] zipped(String name) throws IOException {
    try (ZipFile zip = new ZipFile(at.toFile())) {
      if (zip.size() > MOST_ENTRIES) {
        throw new IOException("the archive holds more than 4000 entries");
      }
      long unpacked = 0;
      for (ZipEntry entry : java.util.Collections.list(zip.entries())) {
        if (!inside(entry.getName())) {
          throw new IOException(
              "the archive's entry '" + entry.getName() + "' leads out of the kit");
        }
        unpacked += Math.max(0, entry.getSize());
      }
      if (unpacked > MOST_BYTES) {
        throw new IOException("the archive is larger than 256 MiB unpacked");
      }
      ZipEntry entry = zip.getEntry(prefix(zip) + name);
      if (entry == null) {
        throw new IOException("the archive has no " + name);
      }
      try (InputStream in = zip.getInputStream(entry)) {
        byte[] bytes = in.readNBytes((int) MOST_BYTES + 1);
        if (bytes.length > MOST_BYTES) {
          throw new IOException("it is larger than 256 MiB");
        }
        return bytes;
      }
    }
  }

  /** The kit lies at the root of an archive or inside its one folder. */
  private static String prefix(ZipFile zip) {
    if (zip.getEntry("kit.json") != null) {
      return "";
    }
    return zip.stream()
        .map(ZipEntry::getName)
        .filter(name -> name.endsWith("/kit.json") && name.indexOf('/') == name.lastIndexOf('/'))
        .findFirst()
        .map(name -> name.substring(0, name.indexOf('/') + 1))
        .orElse("");
  }

  private static KitRead refused(String where, String text, boolean parsed) {
    return new KitRead.Refused(List.of(Finding.error(where, text)), parsed);
  }

  private static String firstLine(JacksonException e) {
    String message = e.getOriginalMessage();
    return message == null ? "The JSON cannot be read." : message.lines().findFirst().orElse("");
  }

  private static String reason(IOException e) {
    return e instanceof java.nio.file.NoSuchFileException
        ? "it does not exist."
        : e.getMessage() + ".";
  }
}
