package humble.core.intake;

import humble.core.kit.Finding;
import humble.core.kit.Home;
import humble.core.kit.Line;
import humble.core.kit.Model;
import humble.core.kit.PartKind;
import humble.core.kit.PartPackage;
import humble.core.kit.Particulars;
import humble.core.kit.Ratings;
import humble.core.marking.BandColour;
import humble.core.marking.BandReading;
import humble.core.marking.ResistorBands;
import humble.core.marking.ToleranceLetter;
import humble.core.units.Band;
import humble.core.units.Engineering;
import humble.core.units.Quantity;
import humble.core.units.QuantityText;
import humble.core.words.Phrase;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * One line in the making: what its row says, and what has to be guessed.
 *
 * <p>As long as a row has columns: a short method for each.
 */
final class LineDraft {
  private static final Pattern SPARE =
      Pattern.compile("\\b(?:spares?|extra|replacement)\\b", Pattern.CASE_INSENSITIVE);

  private static final Pattern SIGNS = Pattern.compile("[±%\\s]|\\+/?-");
  private static final Pattern BETWEEN = Pattern.compile("[-\\s,/]+");
  private static final Pattern LISTED = Pattern.compile("[,;\\s]+");
  private static final double SURE = 0.999;
  private static final double GUESSED = 0.8;

  private final PartRow row;
  private final List<String> refs;
  private final int pieces;
  private final List<Finding> problems;
  private final List<Guess> guesses;
  private final PackageGuess.Memory memory;
  private final ChipLibrary chips;
  private final String hint;
  private final KindGuess kind;
  private final boolean kindGiven;

  /**
   * Begins a line.
   *
   * @param pieces number of pieces the list gives, −1 for none
   */
  LineDraft(
      PartRow row,
      List<String> refs,
      int pieces,
      List<Finding> problems,
      List<Guess> guesses,
      PackageGuess.Memory memory,
      ChipLibrary chips) {
    this.memory = memory;
    this.chips = chips;
    this.row = row;
    this.refs = refs;
    this.pieces = pieces;
    this.problems = problems;
    this.guesses = guesses;
    this.hint = memory.hint(row.text(Column.PACKAGE));
    Optional<PartKind> given = PartKind.named(row.text(Column.KIND).strip());
    this.kindGiven = given.isPresent();
    this.kind =
        given
            .map(k -> new KindGuess(k, 1, Phrase.of("guess.named"), List.of()))
            .orElseGet(() -> {
              String words = row.words() + (colours().isEmpty() ? "" : " resistor");
              return KindGuess.of(
                  refs, words, row.text(Column.VALUE), hint, row.text(Column.PACKAGE));
            });
  }

  /** Tells whether it is a part of a board, rather than something that lies beside it. */
  boolean isPart() {
    return !refs.isEmpty()
        || kindGiven
        || row.maybe(Column.LINE).isPresent()
        || !kind.kind().is(PartKind.Fact.BESIDE);
  }

  /** Tells whether the row says anything at all. */
  boolean isSomething() {
    return !name().isEmpty();
  }

  String name() {
    return row.maybe(Column.VALUE)
        .or(() -> row.maybe(Column.DESCRIPTION))
        .or(() -> row.maybe(Column.KIND))
        .orElse("")
        .strip();
  }

  /** The id that its designator and value suggest. */
  String id() {
    Optional<String> given = row.maybe(Column.LINE);
    if (given.isPresent()) {
      return given.get().strip();
    }
    String prefix = refs.stream().findFirst().flatMap(RefList::prefix).orElse("");
    double number = ValueText.of(row.text(Column.VALUE), kind.kind()).number();
    List<BandColour> colours = colours();
    if (Double.isNaN(number) && colours.size() >= 3 && colours.size() <= 6) {
      number =
          ResistorBands.read(colours, ohms -> false).stream()
              .findFirst()
              .map(BandReading::ohms)
              .orElse(Double.NaN);
    }
    if (!Double.isNaN(number)) {
      return Slug.of(prefix + plain(number));
    }
    String value = row.text(Column.VALUE).strip();
    if (value.isEmpty()) {
      return refs.isEmpty() ? Slug.of(name()) : Slug.of(refs.getFirst());
    }
    return Slug.of(prefix + " " + value);
  }

  Line line(String id, Map<String, PartPackage> packages) {
    PartKind now = kind.kind();
    ValueText value = ValueText.of(row.text(Column.VALUE), now);
    Double tolerance = tolerance(value);
    List<BandColour> colours = colours();
    String valueText = KindGuess.isOnly(now, value.value()) ? "" : value.value();
    if (!colours.isEmpty() && now == PartKind.RESISTOR) {
      BandReading reading = bands(id, colours, value);
      if (reading != null) {
        valueText = value.value().isEmpty() ? plain(reading.ohms()) : value.value();
        tolerance = tolerance == null ? Double.valueOf(reading.tolerancePct()) : tolerance;
        value = new ValueText(valueText, reading.ohms(), tolerance, null, 1, "", value.rest());
      }
    }
    now = judged(id, now, value);
    String packageText = row.text(Column.PACKAGE);
    PackageGuess pack =
        PackageGuess.of(packageText, row.words() + " " + value.rest(), now, valueText, memory);
    guessPackage(id, pack, packages);
    int bandCount = bandCount(id, now, pack.pack().id(), tolerance, value, colours);
    if (tolerance == null && now == PartKind.RESISTOR && !isComplete()) {
      tolerance = usualTolerance(id);
    }
    return new Line(
        id,
        now,
        valueText,
        tolerance,
        bandCount,
        pack.pack().id(),
        refs,
        supplied(id),
        row.text(Column.BAG).strip(),
        marking(id, now, valueText),
        row.text(Column.SPARE).equals("true") || (!refs.isEmpty() && pieces > refs.size()),
        list(Column.POLARITY, id, "polarity_marks", Traits.polarity(now, pack.pack().id())),
        words(Column.SUBSTITUTES),
        home(id),
        list(Column.FRAGILE, id, "fragile", Traits.fragile(now)),
        stripOf(),
        model(id, now, valueText, pack),
        mostMa(),
        particulars(now));
  }

  private @Nullable Model model(String id, PartKind now, String value, PackageGuess guessed) {
    if (isComplete()) {
      return null;
    }
    PartPackage pack = guessed.pack();
    boolean uncounted = now == PartKind.IC && guessed.isVague();
    ModelGuess guess =
        ModelGuess.of(
                new ModelGuess.Said(
                    now,
                    value,
                    row.words(),
                    pack.id(),
                    uncounted ? 0 : pack.pins().size(),
                    row.text(Column.PIN_ORDER),
                    row.text(Column.SUPPLY_PINS),
                    row.text(Column.MODEL_VOLTS),
                    chips
                        .chip(value, pack.pins().size())
                        .or(() -> chips.chip(row.text(Column.MARKING), pack.pins().size()))))
            .orElse(null);
    if (guess == null) {
      return null;
    }
    guess
        .guesses()
        .forEach(made ->
            guess(id, made.key(), made.value(), made.confidence(), made.because(), made.others()));
    return guess.model();
  }

  /** The colour of light that the list gives, or that its words name. */
  private String light() {
    String given = row.text(Column.LIGHT).strip();
    return given.isEmpty() && !isComplete() ? ModelGuess.colour(row.words()) : given;
  }

  private @Nullable Double mostMa() {
    String text = row.text(Column.MOST_MA).strip();
    return text.matches("[0-9]{1,7}(\\.[0-9]{1,4})?") && Double.parseDouble(text) > 0
        ? Double.valueOf(text)
        : null;
  }

  /**
   * What is out of the ordinary stands in lists of our own alone; a word for it is never guessed.
   */
  private Particulars particulars(PartKind now) {
    boolean light = now == PartKind.LED;
    return new Particulars(
        row.text(Column.UNPOLARISED).strip().equals("true"),
        light ? light() : "",
        light && row.text(Column.CLEAR_LENS).strip().equals("true"),
        Particulars.Method.named(row.text(Column.METHOD).strip()).orElse(Particulars.Method.IRON),
        Particulars.Soldered.named(row.text(Column.ON_BOARD).strip())
            .orElse(Particulars.Soldered.NOT_YET),
        row.text(Column.COMES_OFF).strip().equals("true"),
        new Ratings(
            AgedText.number(row.text(Column.RATED_V)), AgedText.number(row.text(Column.RATED_C))),
        AgedText.read(row.text(Column.AGED)).orElse(null));
  }

  /**
   * A value that makes no sense leaves the kind open; a kind and a value that are guessed are told.
   */
  private PartKind judged(String id, PartKind now, ValueText value) {
    boolean unknown = false;
    if (!value.problem().isEmpty() && row.maybe(Column.VALUE).isEmpty()) {
      problems.add(
          Finding.warning(
              row.where(),
              "Nothing says the value of "
                  + (refs.isEmpty() ? "line '" + id + "'" : String.join(", ", refs))
                  + "; what it should measure is not known until it does."));
    }
    if (!value.problem().isEmpty() && row.maybe(Column.VALUE).isPresent()) {
      problems.add(
          Finding.error(
              row.where(),
              value.problem() + " Line '" + id + "' is kept as 'other' until it is mended."));
      unknown = true;
    } else if (!kindGiven) {
      guess(
          id,
          "kind",
          now.text(),
          kind.confidence(),
          kind.because(),
          kind.others().stream().map(PartKind::text).toList());
    }
    Phrase why = value.guess();
    if (why != null) {
      guess(
          id,
          "value",
          value.value(),
          value.confidence(),
          why,
          List.of(row.text(Column.VALUE).strip()));
    }
    return unknown ? PartKind.OTHER : now;
  }

  private void guessPackage(String id, PackageGuess pack, Map<String, PartPackage> packages) {
    if (pack.confidence() < SURE) {
      guess(id, "package", pack.pack().id(), pack.confidence(), pack.because(), pack.others());
    }
    if (!pack.builtIn() && packages.putIfAbsent(pack.pack().id(), pack.pack()) == null) {
      guess(
          id,
          "height_mm",
          Double.toString(pack.pack().heightMm()),
          Math.min(pack.confidence(), GUESSED),
          Phrase.of("guess.height"),
          List.of());
    }
  }

  private double usualTolerance(String id) {
    guess(id, "tolerance_pct", "5", 0.6, Phrase.of("guess.tolerance"), List.of("1", "10"));
    return 5;
  }

  private @Nullable Double tolerance(ValueText value) {
    String text = SIGNS.matcher(row.text(Column.TOLERANCE)).replaceAll("");
    if (text.isEmpty()) {
      Double beside = value.tolerancePct();
      return beside != null
          ? beside
          : ValueText.of(row.text(Column.DESCRIPTION), PartKind.OTHER).tolerancePct();
    }
    if (Quantity.parse(text) instanceof QuantityText.Read read
        && read.value() >= 0
        && read.value() <= 100) {
      return read.value();
    }
    Optional<Band> letter =
        text.length() == 1
            ? ToleranceLetter.of(Character.toUpperCase(text.charAt(0)))
            : Optional.empty();
    if (letter.isEmpty()) {
      problems.add(Finding.error(row.where(), "'" + text + "' is no tolerance in per cent."));
      return value.tolerancePct();
    }
    return letter.get().high();
  }

  private List<BandColour> colours() {
    List<BandColour> colours = new ArrayList<>();
    for (String word : BETWEEN.split(row.text(Column.COLOURS))) {
      BandColour.named(word).ifPresent(colours::add);
    }
    return colours;
  }

  /** What the painted bands say; a value beside them decides from which end. */
  private @Nullable BandReading bands(String id, List<BandColour> colours, ValueText value) {
    String said = String.join("-", colours.stream().map(BandColour::text).toList());
    if (colours.size() != 1 && (colours.size() < 3 || colours.size() > 6)) {
      problems.add(
          Finding.error(
              row.where(),
              "A resistor has 1, 3, 4, 5 or 6 bands, not " + colours.size() + ": " + said + "."));
      return null;
    }
    List<BandReading> readings =
        ResistorBands.read(colours, ohms -> Math.abs(ohms - value.number()) < 1e-6 * ohms);
    if (readings.isEmpty()) {
      problems.add(Finding.error(row.where(), said + " is no legal reading from either end."));
      return null;
    }
    if (Double.isNaN(value.number())) {
      BandReading best = readings.getFirst();
      guess(
          id,
          "value",
          plain(best.ohms()),
          readings.size() == 1 ? 0.95 : GUESSED,
          Phrase.of("guess.bands-read", said),
          readings.stream().skip(1).map(r -> plain(r.ohms())).toList());
      return best;
    }
    Optional<BandReading> same =
        readings.stream()
            .filter(reading -> Math.abs(reading.ohms() - value.number()) < 1e-6 * reading.ohms())
            .findFirst();
    if (same.isEmpty()) {
      problems.add(
          Finding.warning(
              row.where(),
              said
                  + " reads "
                  + Engineering.nominal(readings.getFirst().ohms(), "Ω")
                  + ", but the list says "
                  + Engineering.nominal(value.number(), "Ω")
                  + "; the list is followed."));
    }
    return same.orElse(null);
  }

  private static String plain(double value) {
    return Engineering.nominal(value, "").replace(" ", "").replace("µ", "u");
  }

  private int bandCount(
      String id,
      PartKind now,
      String packageId,
      @Nullable Double tolerance,
      ValueText value,
      List<BandColour> colours) {
    String given = row.text(Column.BANDS).strip();
    if (given.length() == 1 && given.charAt(0) >= '0' && given.charAt(0) <= '6') {
      return Integer.parseInt(given);
    }
    if (isComplete()) {
      return 0;
    }
    if (now != PartKind.RESISTOR || !packageId.startsWith("axial-")) {
      return 0;
    }
    if (colours.size() >= 3) {
      return Math.min(colours.size(), 5);
    }
    double percent = tolerance == null ? 5 : tolerance;
    int usual = percent <= 2 ? 5 : 4;
    if (ResistorBands.paint(value.number(), percent, usual).isEmpty()) {
      return 0;
    }
    guess(
        id,
        "bands",
        Integer.toString(usual),
        GUESSED,
        usual == 5 ? Phrase.of("guess.five-bands") : Phrase.of("guess.four-bands"),
        List.of(usual == 5 ? "4" : "5"));
    return usual;
  }

  private int supplied(String id) {
    if (pieces >= 0) {
      if (pieces < refs.size() && kind.kind() != PartKind.LINK && stripOf() == 0) {
        problems.add(
            Finding.warning(
                row.where(),
                "The list gives "
                    + pieces
                    + " pieces for "
                    + refs.size()
                    + " places: "
                    + String.join(", ", refs)
                    + "."));
      }
      if (pieces > refs.size()
          && !refs.isEmpty()
          && stripOf() == 0
          && !isComplete()
          && row.maybe(Column.SPARE).isEmpty()) {
        problems.add(
            Finding.note(
                row.where(),
                "The list gives "
                    + pieces
                    + " pieces for "
                    + refs.size()
                    + (refs.size() == 1 ? " place" : " places")
                    + ": a designator may be missing, or one is to spare."));
      }
      return pieces;
    }
    guess(id, "supplied", Integer.toString(refs.size()), 0.9, Phrase.of("guess.pieces"), List.of());
    return refs.size();
  }

  /** What is printed on chips and transistors is what lists give as their value. */
  private String marking(String id, PartKind now, String value) {
    Optional<String> given = row.maybe(Column.MARKING);
    if (given.isPresent() || isComplete() || value.isEmpty()) {
      return given.map(String::strip).orElse("");
    }
    if (!now.is(PartKind.Fact.NAMED)) {
      return "";
    }
    guess(id, "marking", value, 0.9, Phrase.of("guess.marking"), List.of());
    return value;
  }

  /**
   * Tells whether the row has the columns that only a whole parts list has: an empty one then means
   * none.
   */
  private boolean isComplete() {
    return row.cells().containsKey(Column.FRAGILE);
  }

  private Home home(String id) {
    Optional<Home> given = Home.named(row.text(Column.HOME).strip());
    if (given.isPresent()) {
      return given.get();
    }
    if (refs.isEmpty()) {
      // What is called a spare belongs nowhere, and so does what only lies in the bag.
      boolean isLaidBeside =
          kind.kind().is(PartKind.Fact.BESIDE) || SPARE.matcher(row.words()).find();
      problems.add(
          Finding.warning(
              row.where(),
              "No places are listed for line '"
                  + id
                  + (isLaidBeside
                      ? "'; it is kept as having no home on the board."
                      : "'; its parts are planned by name and count.")));
      return isLaidBeside ? Home.NONE : Home.BOARD;
    }
    return Home.BOARD;
  }

  private int stripOf() {
    String text = row.text(Column.STRIP).strip();
    return text.matches("[0-9]{1,3}") ? Integer.parseInt(text) : 0;
  }

  private List<String> words(Column column) {
    String text = row.text(column).strip();
    return text.isEmpty() ? List.of() : List.of(LISTED.split(text));
  }

  private List<String> list(Column column, String id, String key, Traits usual) {
    if (row.cells().containsKey(column)) {
      return words(column);
    }
    if (!usual.words().isEmpty()) {
      guess(
          id,
          key,
          String.join(", ", usual.words()),
          usual.confidence(),
          usual.because(),
          List.of());
    }
    return usual.words();
  }

  private void guess(
      String id, String key, String value, double confidence, Phrase because, List<String> others) {
    double rounded = Math.round(confidence * 100) / 100.0;
    guesses.add(new Guess(id, key, value, rounded, because, others));
  }
}
