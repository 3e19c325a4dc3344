package humble.core.intake;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Going through the guesses of a draft, the least certain first. What a person decides is written
 * into the rows as if the list had said it, and the draft is made anew.
 */
public final class Review {
  /** Guesses at least so sure are listed, not asked. */
  public static final double SURE = 0.8;

  private static final Map<String, Column> COLUMN_OF =
      Map.ofEntries(
          Map.entry("kind", Column.KIND),
          Map.entry("value", Column.VALUE),
          Map.entry("package", Column.PACKAGE),
          Map.entry("tolerance_pct", Column.TOLERANCE),
          Map.entry("bands", Column.BANDS),
          Map.entry("supplied", Column.SUPPLIED),
          Map.entry("marking", Column.MARKING),
          Map.entry("pin_order", Column.PIN_ORDER),
          Map.entry("supply_pins", Column.SUPPLY_PINS),
          Map.entry("vf_v", Column.MODEL_VOLTS),
          Map.entry("vz_v", Column.MODEL_VOLTS),
          Map.entry("vout_v", Column.MODEL_VOLTS));

  private final String name;
  private final List<PartRow> rows;
  private final List<PartRow> places;
  private final Map<String, String> files;
  private final BoardFacts facts;
  private final ChipLibrary chips;
  private final Set<String> confirmed = new HashSet<>();
  private Draft draft;

  /** Begins with what was read. */
  public Review(String name, List<PartRow> rows, List<PartRow> places, Map<String, String> files) {
    this(name, rows, places, files, BoardFacts.NONE, ChipLibrary.NONE);
  }

  /** Begins with what was read, the files of a board included. */
  public Review(
      String name,
      List<PartRow> rows,
      List<PartRow> places,
      Map<String, String> files,
      BoardFacts facts,
      ChipLibrary chips) {
    this.name = name;
    this.rows = new ArrayList<>(rows);
    this.places = List.copyOf(places);
    this.files = Map.copyOf(files);
    this.facts = facts;
    this.chips = chips;
    this.draft = Intake.draft(name, rows, places, files, facts, chips);
  }

  /** Gives the draft as it stands. */
  public Draft draft() {
    return draft;
  }

  /** Gives the rows as they stand, decisions included. */
  public List<PartRow> rows() {
    return List.copyOf(rows);
  }

  /** Gives what is still to be looked at, the least certain first. */
  public List<Question> open() {
    Map<String, List<Guess>> alike = new LinkedHashMap<>();
    for (Guess guess : draft.guesses()) {
      if (guess.confidence() < SURE && !confirmed.contains(key(guess))) {
        String what = String.join("\u0000", guess.key(), guess.value(), guess.because().toString());
        alike.computeIfAbsent(what, k -> new ArrayList<>()).add(guess);
      }
    }
    return alike.values().stream()
        .map(Question::new)
        .sorted(Comparator.comparingDouble(Question::confidence))
        .toList();
  }

  /** Gives what to look at next. */
  public Optional<Question> next() {
    return open().stream().findFirst();
  }

  /** Takes what was guessed, or {@code value} in its place, for every line of the question. */
  public void decide(Question question, String value) {
    question.guesses().forEach(guess -> confirmed.add(key(guess)));
    Column column = COLUMN_OF.get(question.key());
    // Where a chip is fed is not taken before somebody says it.
    boolean told = !value.equals(question.value()) || column == Column.SUPPLY_PINS;
    if (!told || column == null) {
      return;
    }
    for (String line : question.lines()) {
      List<Integer> of = draft.rowsOf().getOrDefault(line, List.of());
      for (int i = 0; i < of.size(); i++) {
        PartRow row = rows.get(of.get(i));
        Map<Column, String> cells = new EnumMap<>(Column.class);
        cells.putAll(row.cells());
        cells.put(column, column == Column.SUPPLIED && i > 0 ? "0" : value);
        rows.set(of.get(i), new PartRow(row.where(), cells));
      }
    }
    draft = Intake.draft(name, rows, places, files, facts, chips);
  }

  /** Takes everything that is still open as it was guessed. */
  public void decideAll() {
    draft.guesses().forEach(guess -> confirmed.add(key(guess)));
  }

  private static String key(Guess guess) {
    return guess.line() + " " + guess.key() + " " + guess.value();
  }
}
