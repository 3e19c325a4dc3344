package humble.core.intake;

import humble.core.kit.Board;
import humble.core.kit.Finding;
import humble.core.kit.Home;
import humble.core.kit.Line;
import humble.core.kit.Mount;
import humble.core.kit.PackageLibrary;
import humble.core.kit.PartKind;
import humble.core.kit.PartPackage;
import humble.core.kit.Place;
import humble.core.kit.PointMm;
import humble.core.kit.Side;
import humble.core.words.Phrase;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * Where the parts sit, from a placement list, and the boards that follow from it.
 *
 * @param places places of parts that a line lists
 * @param boards the boards they sit on
 */
record PlaceList(List<Place> places, List<Board> boards) {
  private static final Pattern LENGTH =
      Pattern.compile("([+-]?[0-9]*[.,]?[0-9]+(?:[eE][+-]?[0-9]+)?)\\s*(mm|mils?|inch|in|\")?");
  private static final Pattern TOP =
      Pattern.compile("(t|f|1|top|front|component|oben|vorne)\\b|top");
  private static final Pattern BOTTOM =
      Pattern.compile("(b|s|2|bot|bottom|back|solder|unten|hinten)\\b|bot");
  private static final Pattern NUMBER =
      Pattern.compile("[+-]?[0-9]*\\.?[0-9]+([eE][+-]?[0-9]{1,2})?");

  /** What is longer is no number; the patterns above would look through it again and again. */
  private static final int LONGEST_NUMBER = 40;

  private static final double MARGIN_MM = 5;
  private static final double LARGEST_MM = 2000;
  private static final double UNKNOWN_MM = 100;
  private static final double SAME_PLACE_MM = 0.05;

  /** Reads the rows; a row that cannot be used is told and left out. */
  static PlaceList read(
      List<PartRow> rows,
      List<Line> lines,
      Map<String, PartPackage> own,
      List<Finding> problems,
      List<Guess> guesses,
      Map<String, String> files,
      BoardFacts facts) {
    Map<String, Line> lineOf = new HashMap<>();
    lines.forEach(line -> line.refs().forEach(ref -> lineOf.put(ref, line)));
    List<Place> places = new ArrayList<>();
    Set<String> placed = new HashSet<>();
    for (PartRow row : rows) {
      place(row, lineOf, placed, problems)
          .map(place -> atOrigin(place, facts.origin()))
          .ifPresent(places::add);
    }
    if (rows.isEmpty()) {
      fromPads(lines, own, facts, places, placed, guesses);
    }
    if (!rows.isEmpty() || !facts.pads().isEmpty()) {
      String why =
          rows.isEmpty()
              ? " has no place: its pads are not in the board files, or its package does not fit."
              : " has no place in the placement list.";
      lines.stream()
          .filter(line -> line.home() == Home.BOARD)
          .flatMap(line -> line.refs().stream())
          .filter(ref -> !placed.contains(ref))
          .forEach(ref -> problems.add(Finding.warning("places", ref + why)));
    }
    if (places.isEmpty() && files.isEmpty() && facts.outline().isEmpty()) {
      return new PlaceList(List.of(), List.of());
    }
    List<Place> within = facts.outline().isPresent() ? places : shifted(places, lineOf, problems);
    return new PlaceList(socketed(within, lineOf, guesses), List.of())
        .withBoards(lineOf, guesses, files, facts);
  }

  private static Place atOrigin(Place place, PointMm origin) {
    return origin.xMm() == 0 && origin.yMm() == 0
        ? place
        : moved(place, -origin.xMm(), -origin.yMm());
  }

  private static void fromPads(
      List<Line> lines,
      Map<String, PartPackage> own,
      BoardFacts facts,
      List<Place> places,
      Set<String> placed,
      List<Guess> guesses) {
    for (int i = 0; i < lines.size(); i++) {
      Line line = lines.get(i);
      PartPackage pack = PadPlaces.packageOf(line, own);
      List<Place> found = found(line, pack, facts);
      if (found.size() < line.refs().size()) {
        PartPackage better = better(line, pack, facts, found.size());
        if (better != null) {
          found = found(line, better, facts);
          lines.set(i, packed(line, pack, better, own, guesses));
        }
      }
      for (Place place : found) {
        places.add(atOrigin(place, facts.origin()));
        placed.add(place.ref());
      }
    }
  }

  /** A package that lies on more of the pads: one that is known, else one made from them. */
  private static @Nullable PartPackage better(
      Line line, @Nullable PartPackage pack, BoardFacts facts, int found) {
    PartPackage made = PadPackage.of(line, pack, facts.pads()).orElse(null);
    if (made == null) {
      return null;
    }
    PartPackage known =
        PadPackage.known(line.kind(), made.pins().size())
            .filter(each -> found(line, each, facts).size() == line.refs().size())
            .findFirst()
            .orElse(null);
    PartPackage best = known != null ? known : made;
    return found(line, best, facts).size() > found ? best : null;
  }

  private static Line packed(
      Line line,
      @Nullable PartPackage before,
      PartPackage now,
      Map<String, PartPackage> own,
      List<Guess> guesses) {
    boolean known = PackageLibrary.find(now.id()).isPresent();
    if (!known) {
      own.put(now.id(), now);
    }
    guesses.removeIf(g -> g.line().equals(line.id()) && g.key().equals("package"));
    guesses.add(
        new Guess(
            line.id(),
            "package",
            now.id(),
            0.9,
            Phrase.of(known ? "guess.package.on-pads" : "guess.package.pads", now.pins().size()),
            List.of(line.packageId())));
    boolean samePins =
        before != null && before.pins().stream().allMatch(pin -> now.pin(pin.number()).isPresent());
    return line.inPackage(now.id(), samePins ? line.model() : null);
  }

  /** More pads than pins mean another package, however well some of them fit. */
  private static List<Place> found(Line line, @Nullable PartPackage pack, BoardFacts facts) {
    return pack == null
        ? List.of()
        : line.refs().stream()
            .filter(ref -> PadPackage.padsOf(ref, facts.pads()).size() == pack.pins().size())
            .flatMap(ref -> PadPlaces.of(ref, pack, facts.pads()).stream())
            .toList();
  }

  private static Optional<Place> place(
      PartRow row, Map<String, Line> lineOf, Set<String> placed, List<Finding> problems) {
    List<String> refs = RefList.read(row.text(Column.REFS)).refs();
    if (refs.size() != 1) {
      problems.add(
          Finding.error(row.where(), "'" + row.text(Column.REFS) + "' is not one designator."));
      return Optional.empty();
    }
    String ref = refs.getFirst();
    OptionalDouble x = lengthMm(row, Column.X, problems);
    OptionalDouble y = lengthMm(row, Column.Y, problems);
    String sideText = row.text(Column.SIDE).strip();
    Optional<Side> side = side(sideText);
    String turnText = row.text(Column.ROTATION).strip().replace("°", "").replace(',', '.');
    OptionalDouble turn = number(turnText.isEmpty() ? "0" : turnText);
    if (side.isEmpty()) {
      problems.add(Finding.error(row.where(), "'" + sideText + "' is neither top nor bottom."));
    }
    if (turn.isEmpty()) {
      problems.add(Finding.error(row.where(), "'" + turnText + "' is no rotation in degrees."));
    }
    if (x.isEmpty() || y.isEmpty() || side.isEmpty() || turn.isEmpty()) {
      return Optional.empty();
    }
    if (!lineOf.containsKey(ref)) {
      problems.add(
          Finding.warning(
              row.where(), "No row of the parts list has " + ref + "; its place is left out."));
      return Optional.empty();
    }
    if (!placed.add(ref)) {
      problems.add(Finding.error(row.where(), ref + " is placed twice; the first place is kept."));
      return Optional.empty();
    }
    double standoff = number(row.text(Column.STANDOFF).strip()).orElse(0);
    return Optional.of(
        new Place(
            ref,
            row.maybe(Column.BOARD).map(Slug::of).orElse("main"),
            side.get(),
            new PointMm(x.getAsDouble(), y.getAsDouble()),
            turn.getAsDouble(),
            Mount.named(row.text(Column.MOUNT).strip()).orElse(Mount.FLUSH),
            Math.max(0, standoff),
            null,
            null,
            null,
            null,
            List.of(),
            List.of(),
            0,
            1));
  }

  private static Optional<Side> side(String text) {
    String plain = text.toLowerCase(Locale.ROOT);
    if (plain.isEmpty() || TOP.matcher(plain).lookingAt()) {
      return Optional.of(Side.TOP);
    }
    return BOTTOM.matcher(plain).lookingAt() ? Optional.of(Side.BOTTOM) : Optional.empty();
  }

  private static OptionalDouble lengthMm(PartRow row, Column column, List<Finding> problems) {
    String text = row.text(column).strip();
    Matcher length = LENGTH.matcher(text.toLowerCase(Locale.ROOT));
    String name = column == Column.X ? "x" : "y";
    if (text.length() > LONGEST_NUMBER || !length.matches()) {
      String shown =
          text.length() > LONGEST_NUMBER ? text.substring(0, LONGEST_NUMBER) + "…" : text;
      problems.add(Finding.error(row.where(), "'" + shown + "' is no length for " + name + "."));
      return OptionalDouble.empty();
    }
    String unit = length.group(2) == null ? "mm" : length.group(2);
    double scale = unit.startsWith("mil") ? 0.0254 : unit.equals("mm") ? 1 : 25.4;
    double mm = Double.parseDouble(length.group(1).replace(',', '.')) * scale;
    if (!(Math.abs(mm) <= LARGEST_MM)) {
      problems.add(Finding.error(row.where(), name + " is more than 2 m from the origin."));
      return OptionalDouble.empty();
    }
    return OptionalDouble.of(Math.round(mm * 1e6) / 1e6);
  }

  private static OptionalDouble number(String text) {
    return text.length() <= LONGEST_NUMBER && NUMBER.matcher(text).matches()
        ? OptionalDouble.of(Double.parseDouble(text))
        : OptionalDouble.empty();
  }

  /** Coordinates below nought mean another origin than the lower left; the board is moved there. */
  private static List<Place> shifted(
      List<Place> places, Map<String, Line> lineOf, List<Finding> problems) {
    // The middles of the parts decide: a package that was guessed wrong must not move the board.
    double[] middles = box(places);
    double[] box = middles[0] < 0 || middles[1] < 0 ? padBox(places, lineOf) : middles;
    double dx = box[0] < 0 ? MARGIN_MM - box[0] : 0;
    double dy = box[1] < 0 ? MARGIN_MM - box[1] : 0;
    if (places.isEmpty() || (dx == 0 && dy == 0)) {
      return places;
    }
    problems.add(
        Finding.note(
            "places",
            String.format(
                Locale.ROOT,
                "Some places lie left of or below the origin; all were moved by %.3f, %.3f mm.",
                dx,
                dy)));
    return places.stream().map(place -> moved(place, dx, dy)).toList();
  }

  private static Place moved(Place place, double dx, double dy) {
    return new Place(
        place.ref(),
        place.board(),
        place.side(),
        new PointMm(place.at().xMm() + dx, place.at().yMm() + dy),
        place.rotationDeg(),
        place.mount(),
        place.standoffMm(),
        place.maxHeightMm(),
        place.under(),
        place.jig(),
        place.panel(),
        place.leaveEmpty(),
        place.marks(),
        place.rowHoles(),
        place.rowFrom());
  }

  /** A chip and a socket in one place: the chip goes into the socket. */
  private static List<Place> socketed(
      List<Place> places, Map<String, Line> lineOf, List<Guess> guesses) {
    List<Place> sockets =
        places.stream()
            .filter(place -> {
              Line line = lineOf.get(place.ref());
              return line != null && line.kind() == PartKind.SOCKET;
            })
            .toList();
    return places.stream()
        .map(place -> {
          Line line = lineOf.get(place.ref());
          boolean chip =
              line != null
                  && line.kind() != PartKind.SOCKET
                  && line.packageId().startsWith("dip-")
                  && place.mount() == Mount.FLUSH;
          Optional<Place> under =
              sockets.stream()
                  .filter(socket ->
                      chip
                          && socket.board().equals(place.board())
                          && socket.side() == place.side()
                          && socket.at().distanceMm(place.at()) < SAME_PLACE_MM)
                  .findFirst();
          if (under.isEmpty()) {
            return place;
          }
          guesses.add(
              new Guess(
                  place.ref(),
                  "mount",
                  "socketed",
                  0.97,
                  Phrase.of("guess.socketed", under.get().ref()),
                  List.of("flush")));
          return mounted(place, Mount.SOCKETED);
        })
        .toList();
  }

  private static Place mounted(Place place, Mount mount) {
    return new Place(
        place.ref(),
        place.board(),
        place.side(),
        place.at(),
        place.rotationDeg(),
        mount,
        place.standoffMm(),
        place.maxHeightMm(),
        place.under(),
        place.jig(),
        place.panel(),
        place.leaveEmpty(),
        place.marks(),
        place.rowHoles(),
        place.rowFrom());
  }

  /** Least x, least y, greatest x, greatest y of the middles of all parts, in millimetres. */
  private static double[] box(List<Place> places) {
    double[] box = {Double.MAX_VALUE, Double.MAX_VALUE, -Double.MAX_VALUE, -Double.MAX_VALUE};
    for (Place place : places) {
      box[0] = Math.min(box[0], place.at().xMm());
      box[1] = Math.min(box[1], place.at().yMm());
      box[2] = Math.max(box[2], place.at().xMm());
      box[3] = Math.max(box[3], place.at().yMm());
    }
    return box;
  }

  /** The same of their middles and of all pads whose package is one of the built-in ones. */
  private static double[] padBox(List<Place> places, Map<String, Line> lineOf) {
    double[] box = box(places);
    for (Place place : places) {
      Line line = lineOf.get(place.ref());
      PartPackage pack = line == null ? null : PackageLibrary.find(line.packageId()).orElse(null);
      if (pack != null) {
        pack.pins()
            .forEach(pin -> {
              PointMm at = place.onBoard(pin.at());
              box[0] = Math.min(box[0], at.xMm());
              box[1] = Math.min(box[1], at.yMm());
              box[2] = Math.max(box[2], at.xMm());
              box[3] = Math.max(box[3], at.yMm());
            });
      }
    }
    return box;
  }

  private PlaceList withBoards(
      Map<String, Line> lineOf, List<Guess> guesses, Map<String, String> files, BoardFacts facts) {
    Set<String> names = new java.util.LinkedHashSet<>();
    places.forEach(place -> names.add(place.board()));
    if (names.isEmpty()) {
      names.add("main");
    }
    List<Board> boards = new ArrayList<>();
    for (String name : names) {
      List<Place> here = places.stream().filter(place -> place.board().equals(name)).toList();
      double[] box = padBox(here, lineOf);
      double width = here.isEmpty() ? UNKNOWN_MM : Math.ceil(box[2] + MARGIN_MM);
      double height = here.isEmpty() ? UNKNOWN_MM : Math.ceil(box[3] + MARGIN_MM);
      Phrase because = Phrase.of(here.isEmpty() ? "guess.board" : "guess.board.pads");
      double[] outline = facts.outline().orElse(null);
      if (outline != null) {
        width = Math.round((outline[2] - outline[0]) * 1e4) / 1e4;
        height = Math.round((outline[3] - outline[1]) * 1e4) / 1e4;
      } else {
        guesses.add(
            new Guess("board", "width_mm", Double.toString(width), 0.4, because, List.of()));
        guesses.add(
            new Guess("board", "height_mm", Double.toString(height), 0.4, because, List.of()));
      }
      boards.add(
          new Board(
              name,
              "",
              Math.clamp(width, 1, LARGEST_MM),
              Math.clamp(height, 1, LARGEST_MM),
              1.6,
              List.of(),
              boards.isEmpty() ? files : Map.of()));
    }
    return new PlaceList(places, boards);
  }
}
