package humble.formats.kit;

import humble.core.budget.Budget;
import humble.core.budget.Spent;
import humble.core.build.KitChange;
import humble.core.kit.Finding;
import humble.core.kit.Kit;
import humble.core.kit.KitCheck;
import humble.core.stock.Strips;
import humble.core.words.ForeignText;
import humble.formats.InputFile;
import humble.formats.ReadingBudget;
import humble.formats.board.BoardCompletion;
import humble.formats.board.BoardLayers;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.stream.Collectors;
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
import tools.jackson.databind.node.ObjectNode;

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
  private static final long MOST_BYTES = ReadingBudget.MOST_BYTES;

  /** The largest kit file that is read; a kit of a thousand parts has half a megabyte. */
  private static final int MOST_KIT_BYTES = 8 << 20;

  private static final int MOST_TOKENS = 1_000_000;
  private static final String PHOTOS = "photos/";
  private static final String KEPT_PHOTO = "photos/[0-9a-f]{16,64}\\.jpg";
  private static final JsonMapper JSON =
      JsonMapper.builder(
              JsonFactory.builder()
                  .streamReadConstraints(
                      StreamReadConstraints.builder()
                          .maxNestingDepth(DEEPEST)
                          .maxTokenCount(MOST_TOKENS)
                          .maxNumberLength(100)
                          .build())
                  .build())
          .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
          .enable(DeserializationFeature.FAIL_ON_TRAILING_TOKENS)
          .build();

  private final Path at;
  private final List<KitChange> changes;
  private final Optional<Path> beside;

  private KitFolder(Path at, List<KitChange> changes, Optional<Path> beside) {
    this.at = at;
    this.changes = List.copyOf(changes);
    this.beside = beside;
  }

  /** Gives the kit at a folder, its {@code kit.json}, or an archive; nothing is read yet. */
  public static KitFolder at(Path path) {
    boolean file = path.getFileName() != null && path.getFileName().toString().equals("kit.json");
    Path parent = path.toAbsolutePath().getParent();
    return new KitFolder(file && parent != null ? parent : path, List.of(), Optional.empty());
  }

  /** Gives this kit with changes laid over its kit file; nothing on the disk changes. */
  public KitFolder with(List<KitChange> laidOver) {
    return new KitFolder(at, laidOver, beside);
  }

  /**
   * Gives this kit with photos that are kept elsewhere, as long as it is not written anew.
   *
   * @param photos the folder that holds what the kit names in {@code photos/}
   */
  public KitFolder besides(Path photos) {
    return new KitFolder(at, changes, Optional.of(photos));
  }

  /** Gives where a photo is kept beside the kit; empty where the kit has it itself, or nobody. */
  private Optional<Path> kept(String name) {
    if (!name.matches(KEPT_PHOTO) || Files.exists(at.resolve(name))) {
      return Optional.empty();
    }
    return beside
        .map(folder -> folder.resolve(name.substring(PHOTOS.length())))
        .filter(Files::isRegularFile);
  }

  /**
   * Gives which of some keys the kit file, with its changes, does not have; none where it cannot be
   * read.
   */
  Set<String> silentOn(String... keys) {
    try {
      JsonNode tree = JSON.readTree(bytes("kit.json"));
      return Arrays.stream(keys).filter(key -> !tree.has(key)).collect(Collectors.toSet());
    } catch (IOException | JacksonException e) {
      return Set.of();
    }
  }

  /** Gives where the kit is. */
  public Path path() {
    return at;
  }

  /** Reads and checks the kit with the usual budget; all problems come at once. */
  public KitRead read() {
    return read(ReadingBudget.usual());
  }

  /**
   * Reads and checks the kit; all problems come at once.
   *
   * @param budget what the kit file and the board files it is completed from come out of
   */
  public KitRead read(Budget budget) {
    try {
      return parse(written("kit.json", MOST_KIT_BYTES, budget), changes, budget);
    } catch (Spent e) {
      return refused("kit.json", e.sentence(), false);
    } catch (IOException e) {
      return refused(
          "kit.json",
          "There is no kit.json that can be read in " + at + ": " + InputFile.reason(e),
          false);
    }
  }

  /** Gives a kit of this folder with the marks of its board files, where it names none itself. */
  public Kit withMarks(Kit kit) {
    Budget budget = ReadingBudget.usual();
    return BoardCompletion.withMarks(kit, source(budget), budget);
  }

  /** Gives the files of this kit, all out of one budget. */
  public BoardLayers.Source source(Budget budget) {
    return name -> bytes(name, MOST_BYTES, budget);
  }

  /**
   * Reads and checks the kit in the text of a {@code kit.json}, with board files looked up in this
   * folder.
   *
   * @param bytes the text, in UTF-8
   * @param budget what it and the board files it is completed from come out of
   * @throws Spent when the budget is spent
   */
  public KitRead parse(byte[] bytes, Budget budget) {
    try {
      return parse(bytes, List.of(), budget);
    } catch (IOException e) {
      throw new UncheckedIOException("nothing is laid over it", e);
    }
  }

  private KitRead parse(byte[] bytes, List<KitChange> laidOver, Budget budget) throws IOException {
    JsonNode tree;
    try {
      tree = JSON.readTree(text(bytes));
    } catch (CharacterCodingException e) {
      return refused("kit.json", "It is not written in UTF-8: save it anew as UTF-8.", false);
    } catch (JacksonException e) {
      int line = e.getLocation() == null ? 1 : e.getLocation().getLineNr();
      int column = e.getLocation() == null ? 1 : e.getLocation().getColumnNr();
      return refused("kit.json#line " + line + ", column " + column, firstLine(e), false);
    }
    Findings findings = new Findings();
    if (!tree.isObject()) {
      return refused("kit.json#", "An object is expected here.", false);
    }
    ChangedKit.lay((ObjectNode) tree, laidOver);
    KitJson json = new KitJson(new Cursor(tree, "", findings));
    Kit written = json.read();
    budget.look();
    List<Finding> all = new ArrayList<>(findings.all());
    Kit kit = BoardCompletion.of(written, source(budget), all, budget);
    all.addAll(KitCheck.of(kit));
    all.addAll(Strips.findings(kit));
    all.addAll(FilesNamed.of(this, kit));
    if (all.stream().noneMatch(Finding::isError)) {
      all.addAll(KitCheck.board(kit));
    }
    boolean refused = all.stream().anyMatch(Finding::isError);
    return refused ? new KitRead.Refused(all, true) : new KitRead.Opened(kit, all);
  }

  /** Gives the text without a byte-order mark; what is no UTF-8 is not guessed at. */
  private static String text(byte[] bytes) throws CharacterCodingException {
    String text =
        StandardCharsets.UTF_8
            .newDecoder()
            .onMalformedInput(CodingErrorAction.REPORT)
            .onUnmappableCharacter(CodingErrorAction.REPORT)
            .decode(ByteBuffer.wrap(bytes))
            .toString();
    return text.startsWith("\ufeff") ? text.substring(1) : text;
  }

  /**
   * Reads a file of the kit with the usual budget.
   *
   * @throws IOException when it is missing, too large, or its name leads out of the kit
   */
  public byte[] bytes(String name) throws IOException {
    try {
      return bytes(name, MOST_BYTES, ReadingBudget.usual());
    } catch (Spent e) {
      throw new IOException(e.sentence(), e);
    }
  }

  private byte[] bytes(String name, long most, Budget budget) throws IOException {
    byte[] written = written(name, most, budget);
    return changes.isEmpty() || !name.equals("kit.json")
        ? written
        : ChangedKit.of(written, changes);
  }

  private byte[] written(String name, long most, Budget budget) throws IOException {
    Optional<Path> photo = kept(name);
    if (photo.isPresent()) {
      return InputFile.bytes(photo.get(), most, budget);
    }
    if (Files.isDirectory(at)) {
      return InputFile.bytes(inFolder(name), most, budget);
    }
    try (ZipFile zip = openZip()) {
      ZipEntry entry = entry(zip, name);
      if (entry.getSize() > most) {
        throw tooLarge(name, most);
      }
      budget.bytes(Math.max(0, entry.getSize()));
      try (InputStream in = zip.getInputStream(entry)) {
        // An archive may lie about the size of what is in it.
        byte[] bytes = InputFile.limited(in, entry.getSize(), Math.min(most, entry.getSize()));
        budget.look();
        return bytes;
      }
    }
  }

  private static IOException tooLarge(String name, long most) {
    return new IOException(name + " holds more than " + (most >> 20) + " MiB; that is not read");
  }

  /** Gives the bytes of a file of the kit without reading it. */
  long size(String name) throws IOException {
    Optional<Path> photo = kept(name);
    if (photo.isPresent()) {
      return InputFile.size(photo.get());
    }
    if (Files.isDirectory(at)) {
      return InputFile.size(inFolder(name));
    }
    try (ZipFile zip = openZip()) {
      return Math.max(0, entry(zip, name).getSize());
    }
  }

  private Path inFolder(String name) throws IOException {
    if (!inside(name)) {
      throw new IOException("'" + name + "' leads out of the kit");
    }
    Path file = at.resolve(name);
    if (!file.toRealPath().startsWith(at.toRealPath())) {
      throw new IOException("'" + name + "' leads out of the kit");
    }
    return file;
  }

  /**
   * Gives the bytes of an archive of this kit: the kit file as it stands, unknown keys included,
   * and every other file of the folder. The same kit gives the same bytes.
   *
   * @throws IOException when something cannot be read, or would make an archive that cannot be
   *     opened here
   */
  public byte[] archive() throws IOException {
    return archive(Map.of());
  }

  /**
   * Gives the bytes of an archive of this kit with more files in it, in the place of any of that
   * name.
   *
   * @param more files by their names
   * @throws IOException as {@link #archive()}
   */
  byte[] archive(Map<String, byte[]> more) throws IOException {
    Budget budget = ReadingBudget.usual();
    SortedMap<String, byte[]> files = new TreeMap<>();
    try {
      byte[] kitJson = bytes("kit.json", MOST_KIT_BYTES, budget);
      for (String name : names()) {
        if (files.size() >= MOST_ENTRIES) {
          throw new IOException("the kit is larger than 4000 files or 256 MiB");
        }
        files.put(name, name.equals("kit.json") ? kitJson : bytes(name, MOST_BYTES, budget));
      }
      files.remove("kit.json");
      files.putAll(more);
      return KitWriter.zip(kitJson, files);
    } catch (Spent e) {
      throw new IOException("the kit is larger than 4000 files or 256 MiB", e);
    }
  }

  /**
   * Writes this kit to another place, with its changes and every file of it: as a folder, or as an
   * archive when the name ends in {@code .hckit} or {@code .zip}. Whole or not at all. A photo of
   * one build's fitted board belongs to that build and does not go along.
   *
   * @throws IOException with one sentence; the target is then as it was
   */
  public void writeTo(Path target, boolean replace) throws IOException {
    byte[] kitJson =
        ChangedKit.withoutFitted(
            bytes("kit.json"), written("kit.json", MOST_KIT_BYTES, ReadingBudget.usual()));
    Path unpacked = Files.createTempDirectory("humble-kit");
    try {
      Map<String, Path> files = new TreeMap<>();
      for (String name : names()) {
        if (!name.equals("kit.json")) {
          Path file = unpacked.resolve(String.valueOf(files.size()));
          Files.write(file, bytes(name));
          files.put(name, file);
        }
      }
      for (String name : photosNamed(kitJson)) {
        Optional<Path> photo = kept(name);
        if (!files.containsKey(name) && photo.isPresent()) {
          files.put(name, photo.get());
        }
      }
      KitWriter.write(target, kitJson, files, replace);
    } finally {
      KitWriter.delete(unpacked);
    }
  }

  /**
   * Writes the files of this kit as they are to a folder, one of them left out. Whole or not at
   * all.
   *
   * @throws IOException with one sentence; nothing is then there
   */
  void unpackTo(Path target, String without) throws IOException {
    Path unpacked = Files.createTempDirectory("humble-kit");
    try {
      Map<String, Path> files = new TreeMap<>();
      Budget budget = ReadingBudget.usual();
      for (String name : names()) {
        if (!name.equals("kit.json") && !name.equals(without)) {
          Path file = unpacked.resolve(String.valueOf(files.size()));
          Files.write(file, bytes(name, MOST_BYTES, budget));
          files.put(name, file);
        }
      }
      KitWriter.write(target, bytes("kit.json", MOST_KIT_BYTES, budget), files, false);
    } catch (Spent e) {
      throw new IOException(e.sentence(), e);
    } finally {
      KitWriter.delete(unpacked);
    }
  }

  private static List<String> photosNamed(byte[] kitJson) {
    List<String> names = new ArrayList<>();
    for (JsonNode board : JSON.readTree(kitJson).path("boards")) {
      for (JsonNode photo : board.path("photos")) {
        names.add(photo.path("file").asString(""));
      }
    }
    return names;
  }

  /** Gives the names of all files. */
  List<String> files() throws IOException {
    return names();
  }

  /** Names of all files; hidden ones and links stay out. */
  private List<String> names() throws IOException {
    if (!Files.isDirectory(at)) {
      try (ZipFile zip = openZip()) {
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
    } catch (UncheckedIOException e) {
      throw new IOException(e.getCause());
    }
  }

  static boolean inside(String name) {
    try {
      Path path = Path.of(name).normalize();
      return !name.isEmpty()
          && !path.isAbsolute()
          && !path.startsWith("..")
          && !path.toString().isEmpty()
          && !name.contains("\\");
    } catch (InvalidPathException e) {
      // A name that no file can have leads nowhere.
      return false;
    }
  }

  private ZipFile openZip() throws IOException {
    InputFile.size(at);
    ArchiveEnd.refuseLong(at, MOST_ENTRIES);
    ZipFile zip = new ZipFile(at.toFile());
    try {
      if (zip.size() > MOST_ENTRIES) {
        throw new IOException("the archive holds more than 4000 entries");
      }
      return zip;
    } catch (IOException e) {
      zip.close();
      throw e;
    }
  }

  private static ZipEntry entry(ZipFile zip, String name) throws IOException {
    long unpacked = 0;
    for (ZipEntry entry : java.util.Collections.list(zip.entries())) {
      if (!inside(entry.getName())) {
        throw new IOException(
            "the archive's entry '"
                + ForeignText.shown(entry.getName())
                + "' leads out of the kit");
      }
      unpacked += Math.max(0, entry.getSize());
    }
    if (unpacked > MOST_BYTES) {
      throw new IOException("the archive is larger than 256 MiB unpacked");
    }
    ZipEntry entry = inside(name) ? zip.getEntry(prefix(zip) + name) : null;
    if (entry == null) {
      throw new IOException("the archive has no " + name);
    }
    return entry;
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
}
