package humble.formats.kit;

import humble.core.budget.Budget;
import humble.core.budget.Spent;
import humble.core.kit.Aged;
import humble.core.kit.Board;
import humble.core.kit.BoardPhoto;
import humble.core.kit.Home;
import humble.core.kit.Kit;
import humble.core.kit.KitOption;
import humble.core.kit.Line;
import humble.core.kit.Loose;
import humble.core.kit.Model;
import humble.core.kit.PartPackage;
import humble.core.kit.Particulars;
import humble.core.kit.Place;
import humble.core.kit.PointMm;
import humble.core.kit.Ratings;
import humble.formats.InputFile;
import humble.formats.ReadingBudget;
import humble.formats.WholeFile;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.nio.file.FileVisitResult;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.SimpleFileVisitor;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.BasicFileAttributes;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Writes kits as folders or archives, whole or not at all. */
public final class KitWriter {
  private static final JsonMapper JSON =
      JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT).build();

  /** The time that every entry of an archive bears, so that the same kit gives the same bytes. */
  private static final long ENTRY_TIME = 1_767_225_600_000L;

  private KitWriter() {}

  /**
   * Gives the text of the kit file of a kit that was made from lists: its parts list, places,
   * boards, packages and loose items.
   */
  public static byte[] text(Kit kit) {
    ObjectNode root = JSON.createObjectNode();
    root.put("format", "humble-kit/1");
    root.put("id", kit.id()).put("name", kit.name());
    text(root, "revision", kit.revision());
    root.put("kind", kit.kind());
    text(root, "summary", kit.summary());
    ArrayNode boards = root.putArray("boards");
    kit.boards().forEach(board -> board(boards.addObject(), board));
    ArrayNode lines = root.putArray("lines");
    kit.lines().forEach(line -> line(lines.addObject(), line));
    ArrayNode places = root.putArray("places");
    kit.places().forEach(place -> place(places.addObject(), place));
    if (!kit.nets().isEmpty()) {
      ObjectNode nets = root.putObject("nets");
      kit.nets()
          .forEach((net, pins) -> {
            ArrayNode list = nets.putArray(net);
            pins.forEach(pin -> list.add(pin.toString()));
          });
    }
    if (!kit.loose().isEmpty()) {
      ArrayNode loose = root.putArray("loose");
      kit.loose().forEach(item -> loose(loose.addObject(), item));
    }
    if (!kit.options().isEmpty()) {
      ArrayNode options = root.putArray("options");
      kit.options().forEach(option -> option(options.addObject(), option));
    }
    if (!kit.packages().isEmpty()) {
      ArrayNode packages = root.putArray("packages");
      kit.packages().forEach(pack -> partPackage(packages.addObject(), pack));
    }
    return (JSON.writeValueAsString(root) + "\n").getBytes(StandardCharsets.UTF_8);
  }

  static void board(ObjectNode to, Board board) {
    to.put("id", board.id());
    text(to, "revision", board.revision());
    number(to, "width_mm", board.widthMm());
    number(to, "height_mm", board.heightMm());
    number(to, "thickness_mm", board.thicknessMm());
    if (board.host()) {
      to.put("host", true);
    }
    if (board.coated()) {
      to.put("coated", true);
    }
    if (!board.files().isEmpty()) {
      ObjectNode files = to.putObject("files");
      new TreeMap<>(board.files()).forEach(files::put);
    }
    if (!board.photos().isEmpty()) {
      ArrayNode photos = to.putArray("photos");
      board.photos().forEach(photo -> photo(photos.addObject(), photo));
    }
  }

  private static void photo(ObjectNode to, BoardPhoto photo) {
    to.put("side", photo.side().text());
    if (photo.fitted()) {
      to.put("fitted", true);
    }
    to.put("file", photo.file());
    photo.fitMm().ifPresent(fit -> number(to, "fit_mm", fit));
    ArrayNode holes = to.putArray("holes");
    photo
        .holes()
        .forEach(hole -> {
          ArrayNode one = holes.addArray();
          for (double value : new double[] {hole.at().xMm(), hole.at().yMm(), hole.diameterMm()}) {
            one.add(Math.round(value * 1000) / 1000.0);
          }
        });
  }

  static void line(ObjectNode to, Line line) {
    to.put("id", line.id()).put("kind", line.kind().text());
    text(to, "value", line.value());
    Double tolerance = line.tolerancePct();
    if (tolerance != null) {
      number(to, "tolerance_pct", tolerance);
    }
    if (line.bands() > 0) {
      to.put("bands", line.bands());
    }
    to.put("package", line.packageId());
    texts(to, "refs", line.refs());
    to.put("supplied", line.supplied());
    text(to, "bag", line.bag());
    text(to, "marking", line.marking());
    if (line.spareOk()) {
      to.put("spare_ok", true);
    }
    texts(to, "polarity_marks", line.polarityMarks());
    texts(to, "substitutes", line.substitutes());
    if (line.home() != Home.BOARD) {
      to.put("home", line.home().text());
    }
    texts(to, "fragile", line.fragile());
    if (line.stripOf() > 0) {
      to.put("strip_of", line.stripOf());
    }
    Double most = line.maxMa();
    if (most != null) {
      number(to, "max_ma", most);
    }
    Model model = line.model();
    if (model != null) {
      ModelWriter.write(to.putObject("model"), model);
    }
    Particulars particulars = line.particulars();
    if (particulars.unpolarised()) {
      to.put("unpolarised", true);
    }
    text(to, "colour", particulars.colour());
    if (particulars.clearLens()) {
      to.put("clear_lens", true);
    }
    if (particulars.method() != Particulars.Method.IRON) {
      to.put("method", particulars.method().text());
    }
    text(to, "on_board", particulars.soldered().text());
    if (particulars.comesOff()) {
      to.put("comes_off", true);
    }
    ratings(to, particulars.ratings());
    Aged aged = particulars.aged();
    if (aged != null) {
      aged(to.putObject("aged"), aged);
    }
  }

  private static void ratings(ObjectNode to, Ratings ratings) {
    maybe(to, "rated_v", ratings.volts());
    maybe(to, "rated_c", ratings.celsius());
  }

  private static void aged(ObjectNode to, Aged aged) {
    text(to, "value", aged.value());
    ratings(to, aged.ratings());
    maybe(to, "diameter_mm", aged.diameterMm());
    maybe(to, "height_mm", aged.heightMm());
    maybe(to, "pitch_mm", aged.pitchMm());
    if (aged.unpolarised()) {
      to.put("unpolarised", true);
    }
  }

  private static void maybe(ObjectNode to, String key, @Nullable Double number) {
    if (number != null) {
      number(to, key, number);
    }
  }

  static void place(ObjectNode to, Place place) {
    to.put("ref", place.ref()).put("board", place.board()).put("side", place.side().text());
    number(to, "x_mm", place.at().xMm());
    number(to, "y_mm", place.at().yMm());
    number(to, "rotation_deg", place.rotationDeg());
    to.put("mount", place.mount().text());
    if (place.standoffMm() > 0) {
      number(to, "standoff_mm", place.standoffMm());
    }
    maybe(to, "pitch_mm", place.pitchMm());
    maybe(to, "max_height_mm", place.maxHeightMm());
    maybe(to, "under", place.under());
    maybe(to, "jig", place.jig());
    maybe(to, "panel", place.panel());
    texts(to, "leave_empty", place.leaveEmpty());
    texts(to, "board_marks", place.marks());
    if (place.rowHoles() > 0) {
      to.putObject("row").put("holes", place.rowHoles()).put("from", place.rowFrom());
    }
  }

  private static void maybe(ObjectNode to, String key, @Nullable String text) {
    if (text != null) {
      to.put(key, text);
    }
  }

  private static void loose(ObjectNode to, Loose item) {
    to.put("id", item.id()).put("name", item.name());
    to.put("supplied", item.supplied()).put("needed", item.needed());
    texts(to, "for", item.usedFor());
  }

  private static void option(ObjectNode to, KitOption option) {
    to.put("id", option.id()).put("question", option.question());
    to.put("default", option.defaultChoice());
    ArrayNode choices = to.putArray("choices");
    for (KitOption.Choice choice : option.choices()) {
      ObjectNode each = choices.addObject();
      each.put("id", choice.id()).put("label", choice.label());
      texts(each, "fit", choice.fit());
      texts(each, "omit", choice.omit());
    }
  }

  static void partPackage(ObjectNode to, PartPackage pack) {
    to.put("id", pack.id());
    number(to, "height_mm", pack.heightMm());
    to.put("lead", pack.lead().text());
    ArrayNode pins = to.putArray("pins");
    pack.pins()
        .forEach(pin -> {
          PointMm at = pin.at();
          ObjectNode each = pins.addObject().put("n", pin.number());
          number(each, "x_mm", at.xMm());
          number(each, "y_mm", at.yMm());
        });
  }

  static void text(ObjectNode to, String key, String text) {
    if (!text.isEmpty()) {
      to.put(key, text);
    }
  }

  static void texts(ObjectNode to, String key, List<String> texts) {
    if (!texts.isEmpty()) {
      ArrayNode list = to.putArray(key);
      texts.forEach(list::add);
    }
  }

  /** Micrometres and finer are noise; whole numbers stand without a point. */
  static void number(ObjectNode to, String key, double value) {
    BigDecimal rounded = BigDecimal.valueOf(Math.round(value * 1e6), 6).stripTrailingZeros();
    to.put(key, rounded.scale() < 0 ? rounded.setScale(0) : rounded);
  }

  /**
   * Writes a kit as a folder, or as an archive when the name ends in {@code .hckit} or {@code
   * .zip}. It is made beside its target and moved into place.
   *
   * @param target folder or archive
   * @param kitJson text of the kit file
   * @param files other files by their name within the kit
   * @param replace whether what is there already may be replaced
   * @throws IOException with one sentence for people; the target is then as it was
   */
  public static void write(Path target, byte[] kitJson, Map<String, Path> files, boolean replace)
      throws IOException {
    if (Files.exists(target) && !replace) {
      throw new IOException(target + ": This is there already; --force replaces it.");
    }
    String name = String.valueOf(target.getFileName());
    if (name.endsWith(".hckit") || name.endsWith(".zip")) {
      byte[] bytes = zip(kitJson, read(files));
      if (replace) {
        WholeFile.replace(target, bytes);
      } else {
        WholeFile.create(target, bytes);
      }
    } else {
      folder(target, kitJson, files);
    }
  }

  private static Map<String, byte[]> read(Map<String, Path> files) throws IOException {
    Map<String, byte[]> bytes = new TreeMap<>();
    Budget budget = ReadingBudget.usual();
    try {
      for (Map.Entry<String, Path> file : files.entrySet()) {
        bytes.put(
            file.getKey(), InputFile.bytes(file.getValue(), ReadingBudget.MOST_BYTES, budget));
      }
    } catch (Spent e) {
      throw new IOException(e.sentence(), e);
    }
    return bytes;
  }

  /**
   * Gives the bytes of an archive with the kit file at its root; the same input, the same bytes.
   */
  static byte[] zip(byte[] kitJson, Map<String, byte[]> files) throws IOException {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
      entry(zip, "kit.json", kitJson);
      for (Map.Entry<String, byte[]> file : new TreeMap<>(files).entrySet()) {
        entry(zip, file.getKey(), file.getValue());
      }
    }
    return bytes.toByteArray();
  }

  private static void entry(ZipOutputStream zip, String name, byte[] bytes) throws IOException {
    ZipEntry entry = new ZipEntry(name);
    entry.setTime(ENTRY_TIME);
    zip.putNextEntry(entry);
    zip.write(bytes);
    zip.closeEntry();
  }

  private static void folder(Path target, byte[] kitJson, Map<String, Path> files)
      throws IOException {
    Path parent = target.toAbsolutePath().normalize().getParent();
    if (parent == null) {
      throw new IOException(target + ": This is no name for a folder.");
    }
    if (Files.exists(target) && !Files.exists(target.resolve("kit.json")) && !isEmpty(target)) {
      throw new IOException(target + ": This is no kit; it is not replaced.");
    }
    Files.createDirectories(parent);
    Path beside = Files.createDirectory(parent.resolve(".humble-" + UUID.randomUUID()));
    Path old = beside.resolveSibling(beside.getFileName() + ".old");
    try {
      Files.write(beside.resolve("kit.json"), kitJson);
      for (Map.Entry<String, Path> file : files.entrySet()) {
        Path to = beside.resolve(file.getKey()).normalize();
        if (!to.startsWith(beside)) {
          throw new IOException("'" + file.getKey() + "' leads out of the kit");
        }
        Files.createDirectories(java.util.Objects.requireNonNull(to.getParent()));
        Files.copy(file.getValue(), to, StandardCopyOption.COPY_ATTRIBUTES);
      }
      if (Files.exists(target)) {
        Files.move(target, old);
      }
      Files.move(beside, target);
    } finally {
      if (Files.exists(old) && !Files.exists(target)) {
        Files.move(old, target);
      }
      delete(old);
      delete(beside);
    }
  }

  private static boolean isEmpty(Path folder) throws IOException {
    if (!Files.isDirectory(folder)) {
      return false;
    }
    try (var list = Files.list(folder)) {
      return list.findAny().isEmpty();
    }
  }

  static void delete(Path tree) throws IOException {
    if (!Files.exists(tree)) {
      return;
    }
    Files.walkFileTree(
        tree,
        new SimpleFileVisitor<>() {
          @Override
          public FileVisitResult visitFile(Path file, BasicFileAttributes attributes)
              throws IOException {
            Files.delete(file);
            return FileVisitResult.CONTINUE;
          }

          @Override
          public FileVisitResult postVisitDirectory(
              Path folder, @org.jspecify.annotations.Nullable IOException thrown)
              throws IOException {
            Files.delete(folder);
            return FileVisitResult.CONTINUE;
          }
        });
  }
}
