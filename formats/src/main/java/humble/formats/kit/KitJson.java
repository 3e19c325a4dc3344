package humble.formats.kit;

import humble.core.kit.Aged;
import humble.core.kit.Block;
import humble.core.kit.Board;
import humble.core.kit.BoardPhoto;
import humble.core.kit.BoardState;
import humble.core.kit.Caution;
import humble.core.kit.Gate;
import humble.core.kit.Home;
import humble.core.kit.Host;
import humble.core.kit.Kit;
import humble.core.kit.KitOption;
import humble.core.kit.LeadClass;
import humble.core.kit.Line;
import humble.core.kit.Loose;
import humble.core.kit.Measured;
import humble.core.kit.Mount;
import humble.core.kit.PackagePin;
import humble.core.kit.PartKind;
import humble.core.kit.PartPackage;
import humble.core.kit.Particulars;
import humble.core.kit.PinRef;
import humble.core.kit.Place;
import humble.core.kit.PointMm;
import humble.core.kit.Ratings;
import humble.core.kit.Rule;
import humble.core.kit.SeenHole;
import humble.core.kit.SheetEntry;
import humble.core.kit.Side;
import humble.core.kit.Supply;
import humble.core.kit.Task;
import humble.core.kit.TaskKind;
import humble.core.kit.Use;
import humble.core.units.Band;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * Turns the tree of a {@code kit.json} into a kit.
 *
 * <p>As long as a kit has keys: a short method for each object.
 */
final class KitJson {
  private static final double LARGEST_BOARD_MM = 2000;

  private final Cursor root;

  private static final List<String> KIT_KINDS =
      List.of("badge", "computer", "console", "controller", "instrument", "module", "conversion");

  KitJson(Cursor root) {
    this.root = root;
  }

  Kit read() {
    if (!"humble-kit/1".equals(root.needText("format"))) {
      root.error("format", "This is not \"humble-kit/1\".");
    }
    root.known("author", "licence", "tools");
    Kit kit =
        new Kit(
            root.needId("id"),
            root.needText("name"),
            root.text("revision"),
            kitKind(root),
            root.text("summary"),
            root.each("boards", KitJson::board),
            root.each("lines", KitJson::line),
            root.each("places", KitJson::place),
            nets(),
            root.each("loose", KitJson::loose),
            root.each("options", KitJson::option),
            root.each(
                "sheet", c -> new SheetEntry(c.needText("do"), c.texts("refs"), c.text("id"))),
            root.each("rules", c -> new Rule(c.texts("first"), c.texts("then"), c.text("because"))),
            root.each("tasks", KitJson::task),
            root.each("blocks", KitJson::block),
            root.each("gates", KitJson::gate),
            root.each("supplies", KitJson::supply),
            root.each("states", KitJson::state),
            root.child("firmware").map(FirmwareJson::read).orElse(humble.core.kit.Firmware.NONE),
            root.each("peripherals", PeripheralJson::read),
            root.child("enclosure").map(EnclosureJson::read).orElse(null),
            root.each("cautions", KitJson::caution),
            root.each("packages", KitJson::partPackage),
            root.each(
                "hosts",
                c -> new Host(c.needText("name"), c.needText("must_show"), c.text("where"))),
            HandworkJson.read(root),
            root.each("faults", KitFaultJson::read),
            root.child("use").map(c -> new Use(c.texts("how"), c.texts("not"))).orElse(Use.UNSAID),
            FinishingJson.read(root));
    root.noteUnread();
    return kit;
  }

  private static String kitKind(Cursor c) {
    String kind = c.maybeText("kind").orElse("module");
    if (!KIT_KINDS.contains(kind)) {
      c.error("kind", "A kit is one of: " + String.join(", ", KIT_KINDS) + ".");
    }
    return kind;
  }

  private static Board board(Cursor c) {
    double width = size(c, "width_mm");
    double height = size(c, "height_mm");
    List<PointMm> outline =
        c.points("outline_mm").stream().map(p -> new PointMm(p[0], p[1])).toList();
    for (PointMm corner : outline) {
      if (Math.abs(corner.xMm()) > LARGEST_BOARD_MM || Math.abs(corner.yMm()) > LARGEST_BOARD_MM) {
        c.error("outline_mm", "A board is at most 2 m wide and high.");
        break;
      }
    }
    if (outline.isEmpty()) {
      outline =
          List.of(
              new PointMm(0, 0),
              new PointMm(width, 0),
              new PointMm(width, height),
              new PointMm(0, height));
    }
    Map<String, String> files = c.child("files").map(f -> f.every(f::text)).orElse(Map.of());
    return new Board(
        c.needId("id"),
        c.text("revision"),
        width,
        height,
        c.numberFrom("thickness_mm", 0, 1.6),
        outline,
        files,
        c.flag("host", false),
        c.flag("coated", false),
        c.each("photos", KitJson::photo));
  }

  private static BoardPhoto photo(Cursor c) {
    List<SeenHole> holes =
        c.triples("holes").stream()
            .map(hole -> new SeenHole(new PointMm(hole[0], hole[1]), hole[2]))
            .toList();
    String side = c.needText("side");
    if (Side.named(side).isEmpty() && !side.isEmpty()) {
      c.error("side", "A side is top or bottom.");
    }
    return new BoardPhoto(
        Side.named(side).orElse(Side.TOP),
        c.flag("fitted", false),
        c.needText("file"),
        c.has("fit_mm") ? Optional.of(c.numberFrom("fit_mm", 0, 0)) : Optional.empty(),
        holes);
  }

  private static double size(Cursor c, String key) {
    double size = c.needNumber(key);
    if (size <= 0 || size > LARGEST_BOARD_MM) {
      c.error(key, "A board is more than 0 and at most 2000 mm wide and high.");
      return 1;
    }
    return size;
  }

  private static Line line(Cursor c) {
    String kindName = c.needText("kind");
    Optional<PartKind> kind = PartKind.named(kindName);
    if (kind.isEmpty() && !kindName.isEmpty()) {
      c.error("kind", "There is no part kind '" + kindName + "'.");
    }
    Home home =
        c.maybeText("home")
            .flatMap(text -> c.code("home", "home", text, Home::named, Home.names()))
            .orElse(Home.BOARD);
    return new Line(
        c.needId("id"),
        kind.orElse(PartKind.OTHER),
        c.text("value"),
        c.maybeNumber("tolerance_pct"),
        c.whole("bands", 0),
        c.needText("package"),
        c.texts("refs"),
        c.whole("supplied", 0),
        c.text("bag"),
        c.text("marking"),
        c.flag("spare_ok", false),
        c.texts("polarity_marks"),
        c.texts("substitutes"),
        home,
        fragile(c),
        c.whole("strip_of", 0),
        c.child("model").map(ModelJson::read).orElse(null),
        maxMa(c),
        particulars(c));
  }

  private static Particulars particulars(Cursor c) {
    return new Particulars(
        c.flag("unpolarised", false),
        c.text("colour"),
        c.flag("clear_lens", false),
        c.maybeText("method")
            .flatMap(text ->
                c.code(
                    "method", "method", text, Particulars.Method::named, List.of("iron", "paste")))
            .orElse(Particulars.Method.IRON),
        c.maybeText("on_board")
            .flatMap(text ->
                c.code(
                    "on_board",
                    "one who soldered it",
                    text,
                    Particulars.Soldered::named,
                    List.of("maker", "host")))
            .orElse(Particulars.Soldered.NOT_YET),
        c.flag("comes_off", false),
        ratings(c),
        c.child("aged").map(KitJson::aged).orElse(null));
  }

  private static Ratings ratings(Cursor c) {
    return new Ratings(positive(c, "rated_v"), c.maybeNumber("rated_c"));
  }

  private static Aged aged(Cursor c) {
    return new Aged(
        c.text("value"),
        ratings(c),
        positive(c, "diameter_mm"),
        positive(c, "height_mm"),
        positive(c, "pitch_mm"),
        c.flag("unpolarised", false));
  }

  private static @Nullable Double positive(Cursor c, String key) {
    Double number = c.maybeNumber(key);
    if (number != null && number <= 0) {
      c.error(key, "It must be more than 0.");
      return null;
    }
    return number;
  }

  /** The most current a part survives stands on its line or in its model. */
  private static @Nullable Double maxMa(Cursor c) {
    Double ofModel = c.child("model").map(model -> model.maybeNumber("max_ma")).orElse(null);
    Double most = c.has("max_ma") ? c.maybeNumber("max_ma") : ofModel;
    if (most != null && most <= 0) {
      c.error("max_ma", "It must be more than 0.");
      return null;
    }
    return most;
  }

  private static List<String> fragile(Cursor c) {
    List<String> fragile = c.texts("fragile");
    if (!List.of("heat", "static", "shock", "water").containsAll(fragile)) {
      c.error("fragile", "It lists heat, static, shock or water.");
    }
    return fragile;
  }

  private static Place place(Cursor c) {
    String sideName = c.maybeText("side").orElse("top");
    Optional<Side> side = Side.named(sideName);
    if (side.isEmpty()) {
      c.error("side", "A side is top or bottom.");
    }
    String mountName = c.maybeText("mount").orElse("flush");
    Optional<Mount> mount = Mount.named(mountName);
    if (mount.isEmpty()) {
      c.error("mount", "There is no mount '" + mountName + "'.");
    }
    Optional<Cursor> row = c.child("row");
    return new Place(
        c.needText("ref"),
        c.needText("board"),
        side.orElse(Side.TOP),
        new PointMm(c.needNumber("x_mm"), c.needNumber("y_mm")),
        c.number("rotation_deg", 0),
        mount.orElse(Mount.FLUSH),
        c.numberFrom("standoff_mm", 0, 0),
        c.maybeNumber("max_height_mm"),
        c.maybeText("under").orElse(null),
        c.maybeText("jig").orElse(null),
        c.maybeText("panel").orElse(null),
        c.texts("leave_empty"),
        c.texts("board_marks"),
        row.map(r -> r.whole("holes", 0)).orElse(0),
        row.map(r -> r.whole("from", 1)).orElse(1),
        pitch(c));
  }

  private static @Nullable Double pitch(Cursor c) {
    Double pitch = c.maybeNumber("pitch_mm");
    if (pitch != null && (pitch <= 0 || pitch > LARGEST_BOARD_MM)) {
      c.error("pitch_mm", "Holes are more than 0 and at most 2000 mm apart.");
      return null;
    }
    return pitch;
  }

  private Map<String, List<PinRef>> nets() {
    Map<String, List<PinRef>> nets = new LinkedHashMap<>();
    root.child("nets")
        .ifPresent(c ->
            nets.putAll(
                c.every(net -> {
                  List<String> texts = c.texts(net);
                  return java.util.stream.IntStream.range(0, texts.size())
                      .mapToObj(i -> pin(c, net, i, texts.get(i)))
                      .toList();
                })));
    return nets;
  }

  private static PinRef pin(Cursor c, String net, int index, String text) {
    return PinRef.parse(text)
        .orElseGet(() -> {
          c.error(net, "Pin " + (index + 1) + ", '" + text + "', is not written REF.PIN.");
          return new PinRef(text, "");
        });
  }

  private static Loose loose(Cursor c) {
    return new Loose(
        c.needId("id"),
        c.text("name"),
        c.whole("supplied", 0),
        c.whole("needed", 0),
        c.texts("for"));
  }

  private static KitOption option(Cursor c) {
    return new KitOption(
        c.needId("id"),
        c.text("question"),
        c.needText("default"),
        c.each(
            "choices",
            k -> {
              k.known("settings");
              return new KitOption.Choice(
                  k.needId("id"), k.text("label"), k.texts("fit"), k.texts("omit"));
            }));
  }

  private static Task task(Cursor c) {
    String text = c.needText("kind");
    TaskKind kind =
        (text.isEmpty()
                ? Optional.<TaskKind>empty()
                : c.code("kind", "task kind", text, TaskKind::named, TaskKind.names()))
            .orElse(TaskKind.PREPARE);
    return new Task(
        c.needId("id"),
        kind,
        c.text("title"),
        c.numberFrom("minutes", 0, 5),
        c.numberFrom("minutes_unattended", 0, 0),
        c.texts("after"),
        c.texts("before"));
  }

  private static Block block(Cursor c) {
    return new Block(
        c.needId("id"), c.text("title"), c.texts("refs"), c.texts("gates"), c.texts("then"));
  }

  private static Gate gate(Cursor c) {
    Measured measure =
        c.maybeText("measure")
            .flatMap(text -> c.code("measure", "measure", text, Measured::named, Measured.names()))
            .orElse(Measured.VOLTAGE);
    List<String> at = c.texts("at");
    if (measure != Measured.CURRENT && at.size() != 2) {
      c.error("at", "It is measured between two points.");
      at = List.of();
    }
    Band expected = expected(c, measure);
    return new Gate(
        c.needId("id"),
        c.text("title"),
        measure,
        at,
        c.needText("state"),
        expected,
        c.texts("before"),
        c.text("caution"));
  }

  /** Volts, amperes or ohms from {@code min} to {@code max}; of a continuity open or joined. */
  private static @Nullable Band expected(Cursor c, Measured measure) {
    if (measure != Measured.CONTINUITY) {
      return c.child("expect").map(e -> band(e, "min", "max")).orElse(null);
    }
    if (!c.has("expect")) {
      return null;
    }
    return switch (c.text("expect")) {
      case "joined" -> Measured.JOINED_OHM;
      case "open" -> Measured.OPEN_OHM;
      default -> {
        c.error("expect", "A continuity is open or joined.");
        yield null;
      }
    };
  }

  private static Supply supply(Cursor c) {
    Band band = c.pair("range_v").orElse(null);
    return new Supply(
        c.needId("id"),
        c.needNumber("volts"),
        c.numberFrom("limit_ma", 0, 500),
        c.needText("plus"),
        c.needText("minus"),
        band,
        c.text("polarity"));
  }

  private static BoardState state(Cursor c) {
    String id = c.needId("id");
    Map<String, String> drive = c.child("drive").map(d -> d.every(d::text)).orElse(Map.of());
    drive.forEach((pin, level) -> {
      if (!List.of("high", "low", "off").contains(level)) {
        c.error("drive", pin + " is driven high, low or off.");
      }
    });
    return new BoardState(
        id,
        c.maybeText("title").orElse(id),
        c.maybeText("supply").orElse(null),
        c.texts("absent"),
        c.texts("closed"),
        drive,
        c.child("set").map(s -> s.every(k -> s.number(k, 0.5))).orElse(Map.of()),
        c.child("choose").map(s -> s.every(s::text)).orElse(Map.of()),
        c.child("sources").map(s -> s.every(k -> s.number(k, 0))).orElse(Map.of()),
        share(c));
  }

  private static @Nullable Double share(Cursor c) {
    Double share = c.maybeNumber("share");
    if (share != null && (share < 0)) {
      c.error("share", "A share of the time is 0 or more.");
      return null;
    }
    return share;
  }

  private static Caution caution(Cursor c) {
    String level = c.maybeText("level").orElse("care");
    Caution.Level grave =
        switch (level) {
          case "care" -> Caution.Level.CARE;
          case "danger" -> Caution.Level.DANGER;
          case "stop" -> Caution.Level.STOP;
          default -> {
            c.error("level", "A caution is care, danger or stop.");
            yield Caution.Level.STOP;
          }
        };
    return new Caution(c.needText("at"), c.needText("text"), grave);
  }

  private static PartPackage partPackage(Cursor c) {
    c.texts("marks");
    String lead = c.maybeText("lead").orElse("pin");
    if (LeadClass.named(lead).isEmpty()) {
      c.error("lead", "A lead is thin, pin, tab or smd.");
    }
    List<PackagePin> pins =
        c.each(
            "pins",
            p -> {
              p.known("shape", "drill_mm");
              return new PackagePin(
                  p.needText("n"), new PointMm(p.needNumber("x_mm"), p.needNumber("y_mm")));
            });
    return new PartPackage(
        c.needId("id"),
        c.numberFrom("height_mm", 0, 0),
        pins,
        LeadClass.named(lead).orElse(LeadClass.PIN));
  }

  static @Nullable Band band(Cursor c, String lowKey, String highKey) {
    double low = c.needNumber(lowKey);
    double high = c.needNumber(highKey);
    if (low > high) {
      c.error(lowKey, "The low end is above the high end.");
      return null;
    }
    return new Band(low, high);
  }
}
