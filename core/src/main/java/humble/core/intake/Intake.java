package humble.core.intake;

import humble.core.kit.Board;
import humble.core.kit.Finding;
import humble.core.kit.Firmware;
import humble.core.kit.Handwork;
import humble.core.kit.Kit;
import humble.core.kit.KitOption;
import humble.core.kit.Line;
import humble.core.kit.Loose;
import humble.core.kit.PartKind;
import humble.core.kit.PartPackage;
import humble.core.kit.PinRef;
import humble.core.kit.Place;
import humble.core.kit.RefOrder;
import humble.core.kit.Use;
import humble.core.words.Phrase;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.SequencedMap;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * Makes a kit of the rows of a parts list and, when there is one, of a placement list. Rows that
 * say the same of different places become one line. What no row says is guessed and every guess is
 * told; a row that cannot be used is told and left out, never bent to fit.
 */
public final class Intake {
  private static final Pattern LEAVE =
      Pattern.compile(
          "(?i)(x|1|y|yes|true|ja|oui|si|dnp|dnf|dni|do not (fit|populate|place)|not fitted|exclude)");
  private static final Pattern NO =
      Pattern.compile(
          "(?i)(0|n|no|false|nein|non|dnp|dnf|dni|do not (fit|populate|place)|not fitted|unfitted|-)");
  private static final Pattern FITTED =
      Pattern.compile("(?i)(1|x|y|yes|true|ja|oui|si|fit|fitted|populated?|placed?|✓|mounted)");
  private static final Pattern WHOLE = Pattern.compile("[0-9]{1,6}([.,]0+)?");

  private final List<Finding> problems = new ArrayList<>();
  private final List<Guess> guesses = new ArrayList<>();
  private final Set<String> ids = new HashSet<>();
  private final Map<String, String> ownerOf = new HashMap<>();
  private final SequencedMap<String, List<Integer>> rowsOf = new LinkedHashMap<>();
  private final SequencedMap<String, PartPackage> packages = new LinkedHashMap<>();
  private final PackageGuess.Memory memory = new PackageGuess.Memory();
  private final ChipLibrary chips;
  private final List<Loose> loose = new ArrayList<>();
  private final List<Line> lines = new ArrayList<>();
  private final SequencedMap<String, List<String>> versions = new LinkedHashMap<>();

  private Intake(ChipLibrary chips) {
    this.chips = chips;
  }

  /**
   * Makes the draft of a kit.
   *
   * @param name name of the kit for people
   * @param rows rows of the parts list
   * @param places rows of the placement list, empty when there is none
   * @param files board files by role, relative to the kit
   */
  public static Draft draft(
      String name, List<PartRow> rows, List<PartRow> places, Map<String, String> files) {
    return draft(name, rows, places, files, BoardFacts.NONE);
  }

  /**
   * Makes the draft of a kit whose board files were read. Places that no list gives are found from
   * the pads.
   *
   * @param name name of the kit for people
   * @param rows rows of the parts list
   * @param places rows of the placement list, empty when there is none
   * @param files board files by role, relative to the kit
   * @param facts what the board files say
   */
  public static Draft draft(
      String name,
      List<PartRow> rows,
      List<PartRow> places,
      Map<String, String> files,
      BoardFacts facts) {
    return draft(name, rows, places, files, facts, ChipLibrary.NONE);
  }

  /**
   * Makes the draft of a kit at a bench that knows some chips.
   *
   * @param name name of the kit for people
   * @param rows rows of the parts list
   * @param places rows of the placement list, empty when there is none
   * @param files board files by role, relative to the kit
   * @param facts what the board files say
   * @param chips what is known of chips
   */
  public static Draft draft(
      String name,
      List<PartRow> rows,
      List<PartRow> places,
      Map<String, String> files,
      BoardFacts facts,
      ChipLibrary chips) {
    return new Intake(chips).make(name, rows, places, files, facts);
  }

  private Draft make(
      String name,
      List<PartRow> written,
      List<PartRow> placeRows,
      Map<String, String> files,
      BoardFacts facts) {
    SequencedMap<String, List<Integer>> groups = new LinkedHashMap<>();
    List<PartRow> rows = written.stream().map(Intake::spelled).toList();
    for (int i = 0; i < rows.size(); i++) {
      PartRow row = rows.get(i);
      Boolean leftOut = leftOut(row);
      if (leftOut == null) {
        problems.add(
            Finding.warning(
                row.where(),
                "Whether this row is fitted cannot be told from '"
                    + row.maybe(Column.LEAVE_OUT).orElse(row.text(Column.FITTED))
                    + "'; it is kept."));
      } else if (leftOut) {
        problems.add(
            Finding.note(row.where(), "The list says to leave this row out; it is left out."));
        continue;
      }
      groups.computeIfAbsent(sameness(rows.get(i)), key -> new ArrayList<>()).add(i);
    }
    groups.values().forEach(group -> line(rows, group));
    numbersLeftOut(written);
    PlaceList placed = PlaceList.read(placeRows, lines, packages, problems, guesses, files, facts);
    Map<String, List<PinRef>> nets = nets(facts);
    List<Place> places = placed.places();
    List<Board> boards = placed.boards();
    Kit kit =
        new Kit(
            Slug.of(name),
            name,
            "",
            "module",
            "",
            boards,
            lines,
            places,
            nets,
            loose,
            options(),
            List.of(),
            List.of(),
            List.of(),
            List.of(),
            List.of(),
            List.of(),
            List.of(),
            Firmware.NONE,
            List.of(),
            null,
            List.of(),
            List.copyOf(packages.values()),
            List.of(),
            Handwork.NONE,
            List.of(),
            Use.UNSAID,
            humble.core.kit.Finishing.NONE);
    return new Draft(kit, guesses, problems, rowsOf);
  }

  /** A number to order by is no property of a part that has a value; that it goes is said. */
  private void numbersLeftOut(List<PartRow> written) {
    List<PartRow> both =
        written.stream()
            .filter(row -> row.maybe(Column.VALUE).isPresent())
            .filter(row -> row.maybe(Column.PART_NUMBER).isPresent())
            .filter(row -> !row.text(Column.VALUE).equals(row.text(Column.PART_NUMBER)))
            .toList();
    if (!both.isEmpty()) {
      problems.add(
          Finding.note(
              both.getFirst().where(),
              "Part numbers beside a value tell the kind of part and are not kept, here and in "
                  + (both.size() - 1)
                  + " more rows."));
    }
  }

  /** Gives a row whose value has its units as signs. */
  private static PartRow spelled(PartRow row) {
    // A part that has nothing but its number is called by it.
    String value = row.maybe(Column.VALUE).or(() -> row.maybe(Column.PART_NUMBER)).orElse("");
    String plain = Spelled.units(Spelled.blanks(value));
    if (plain.equals(row.text(Column.VALUE))) {
      return row;
    }
    Map<Column, String> cells = new EnumMap<>(Column.class);
    cells.putAll(row.cells());
    cells.put(Column.VALUE, plain);
    return new PartRow(row.where(), cells);
  }

  /** Tells whether a list says to leave a row out; null where it says something unknown. */
  private static @Nullable Boolean leftOut(PartRow row) {
    String out = row.text(Column.LEAVE_OUT).strip();
    String fitted = row.text(Column.FITTED).strip();
    boolean yes = LEAVE.matcher(out).matches() || NO.matcher(fitted).matches();
    boolean known =
        (out.isEmpty()
                || LEAVE.matcher(out).matches()
                || NO.matcher(out).matches()
                || FITTED.matcher(out).matches())
            && (fitted.isEmpty()
                || NO.matcher(fitted).matches()
                || FITTED.matcher(fitted).matches());
    return known ? Boolean.valueOf(yes) : null;
  }

  /** Rows with the same key are about the same kind of part. */
  private static String sameness(PartRow row) {
    if (row.maybe(Column.LINE).isPresent()) {
      return "id " + row.text(Column.LINE);
    }
    if (row.text(Column.VALUE).isBlank() && row.text(Column.DESCRIPTION).isBlank()) {
      return "row " + row.where();
    }
    String prefix =
        RefList.read(row.text(Column.REFS)).refs().stream()
            .findFirst()
            .flatMap(RefList::prefix)
            .orElse("");
    ValueText value = ValueText.of(row.text(Column.VALUE), PartKind.INDUCTOR);
    return String.join(
        "\u0000",
        prefix,
        Double.isNaN(value.number())
            ? row.text(Column.VALUE).toLowerCase(Locale.ROOT)
            : value.number() + " " + value.tolerancePct() + " " + value.rest(),
        row.text(Column.PACKAGE).toLowerCase(Locale.ROOT),
        row.text(Column.KIND).toLowerCase(Locale.ROOT),
        row.text(Column.DESCRIPTION).toLowerCase(Locale.ROOT),
        row.text(Column.TOLERANCE),
        row.text(Column.MARKING),
        row.text(Column.BAG),
        row.text(Column.COLOURS));
  }

  private void line(List<PartRow> rows, List<Integer> group) {
    PartRow first = rows.get(group.getFirst());
    Set<String> refs = new LinkedHashSet<>();
    int pieces = 0;
    boolean counted = true;
    for (int index : group) {
      PartRow row = rows.get(index);
      refs.addAll(refs(row));
      Integer count = pieces(row);
      counted &= count != null;
      pieces += count == null ? 0 : count;
    }
    if (refs.isEmpty()
        && group.stream().anyMatch(i -> rows.get(i).maybe(Column.REFS).isPresent())) {
      return;
    }
    LineDraft made =
        new LineDraft(
            first, List.copyOf(refs), counted ? pieces : -1, problems, guesses, memory, chips);
    if (!made.isPart()) {
      if (made.isSomething()) {
        String id = Slug.free(Slug.of(made.name()), ids);
        int count = counted ? pieces : 1;
        int needed = Math.max(count, wanted(rows, group));
        loose.add(new Loose(id, made.name(), count, needed, List.of()));
        rowsOf.put(id, group);
      }
      return;
    }
    String id = Slug.free(made.id(), ids);
    refs.forEach(ref -> ownerOf.putIfAbsent(ref, id));
    Line line = made.line(id, packages);
    lines.add(line);
    rowsOf.put(id, group);
    for (int index : group) {
      if (refs.isEmpty() && rows.get(index).maybe(Column.OPTION).isPresent()) {
        problems.add(
            Finding.warning(
                rows.get(index).where(),
                "It is for "
                    + rows.get(index).text(Column.OPTION)
                    + " alone, but without a designator no choice can be made of that."));
      }
      rows.get(index)
          .maybe(Column.OPTION)
          .ifPresent(label ->
              versions
                  .computeIfAbsent(label.strip(), k -> new ArrayList<>())
                  .addAll(
                      refs.isEmpty()
                          ? List.of()
                          : RefList.read(rows.get(index).text(Column.REFS)).refs()));
    }
  }

  /** Pieces that the work asks for, where a row says so beside those in the bag. */
  private static int wanted(List<PartRow> rows, List<Integer> group) {
    return group.stream()
        .map(rows::get)
        .filter(row -> row.maybe(Column.SUPPLIED).isPresent())
        .mapToInt(row -> {
          String text = row.text(Column.PIECES).strip();
          return WHOLE.matcher(text).matches()
              ? Integer.parseInt(text.replaceFirst("[.,].*", ""))
              : 1;
        })
        .sum();
  }

  /** Parts that only some versions have: one question, each version a choice, and none of them. */
  private List<KitOption> options() {
    List<KitOption.Choice> choices = new ArrayList<>();
    Set<String> taken = new HashSet<>();
    List<String> plainOmits = new ArrayList<>();
    versions.forEach((label, refs) -> {
      if (!refs.isEmpty()) {
        plainOmits.addAll(refs);
        choices.add(new KitOption.Choice(Slug.free(Slug.of(label), taken), label, refs, List.of()));
        guesses.add(
            new Guess(
                "options",
                label,
                String.join(" ", refs),
                0.8,
                Phrase.of("guess.option", label),
                List.of()));
      }
    });
    if (choices.isEmpty()) {
      return List.of();
    }
    if (lines.stream().flatMap(line -> line.refs().stream()).allMatch(plainOmits::contains)) {
      guesses.removeIf(guess -> guess.line().equals("options"));
      problems.add(
          Finding.warning(
              "list",
              "Every part is listed for some version alone ("
                  + String.join(", ", versions.keySet())
                  + "); no choice is made of that, all of them are fitted."));
      return List.of();
    }
    String plain = Slug.free("plain", taken);
    choices.addFirst(new KitOption.Choice(plain, "none of these", List.of(), List.of()));
    return List.of(new KitOption("version", "Which version do you build?", plain, choices));
  }

  private List<String> refs(PartRow row) {
    RefList list = RefList.read(row.text(Column.REFS));
    list.problems().forEach(text -> problems.add(Finding.error(row.where(), text)));
    List<String> free = new ArrayList<>();
    for (String ref : list.refs()) {
      String before = ownerOf.putIfAbsent(ref, row.where());
      if (before == null) {
        free.add(ref);
      } else {
        problems.add(
            Finding.error(row.where(), ref + " stands in the list already, at " + before + "."));
      }
    }
    return free;
  }

  /** The nets of the board files, as far as their pins belong to parts of the list. */
  private Map<String, List<PinRef>> nets(BoardFacts facts) {
    Map<String, PartPackage> packOf = new HashMap<>();
    for (Line line : lines) {
      PartPackage pack = PadPlaces.packageOf(line, packages);
      if (pack != null) {
        line.refs().forEach(ref -> packOf.put(ref, pack));
      }
    }
    SequencedMap<String, List<PinRef>> nets = new LinkedHashMap<>();
    Set<String> unknown = new TreeSet<>(RefOrder.NATURAL);
    for (String net : new TreeSet<>(facts.nets().keySet())) {
      List<PinRef> pins = new ArrayList<>();
      for (String text : facts.nets().getOrDefault(net, List.of())) {
        PinRef pin = PinRef.parse(text).orElse(null);
        PartPackage pack = pin == null ? null : packOf.get(pin.ref());
        if (pin != null && pack != null && pack.pin(pin.pin()).isPresent()) {
          pins.add(pin);
        } else {
          unknown.add(text);
        }
      }
      if (!pins.isEmpty()) {
        nets.put(net, pins);
      }
    }
    if (!unknown.isEmpty()) {
      problems.add(
          Finding.warning(
              "board",
              "The nets name pins that no part of the list has: "
                  + String.join(", ", unknown.stream().limit(12).toList())
                  + (unknown.size() > 12 ? " and more." : ".")));
    }
    return nets;
  }

  /** The number of pieces a row gives; null when it gives none that can be read. */
  private @Nullable Integer pieces(PartRow row) {
    Column column = row.maybe(Column.SUPPLIED).isPresent() ? Column.SUPPLIED : Column.PIECES;
    String text = row.text(column).strip();
    if (text.isEmpty()) {
      return null;
    }
    if (WHOLE.matcher(text).matches()) {
      return Integer.valueOf(text.replaceFirst("[.,].*", ""));
    }
    problems.add(Finding.error(row.where(), "'" + text + "' is no number of pieces."));
    return null;
  }
}
