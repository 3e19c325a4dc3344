package humble.desktop.intake;

import humble.core.intake.Draft;
import humble.core.intake.Intake;
import humble.core.intake.PartRow;
import humble.core.intake.Question;
import humble.core.intake.Review;
import humble.core.intake.SheetText;
import humble.core.kit.Finding;
import humble.core.kit.Kit;
import humble.core.kit.Line;
import humble.core.kit.PackageLibrary;
import humble.core.kit.PartKind;
import humble.core.units.Quantity;
import humble.core.units.QuantityText;
import humble.core.words.Words;
import humble.desktop.draw.Mat;
import humble.desktop.session.Session;
import humble.desktop.stage.Card;
import humble.desktop.stage.Desk;
import humble.desktop.stage.LineNames;
import humble.desktop.stage.Stage;
import humble.desktop.stage.StageId;
import humble.desktop.stage.Standing;
import humble.formats.ReadingBudget;
import humble.formats.WholeFile;
import humble.formats.table.PartsTable;
import humble.formats.table.TableText;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.time.format.FormatStyle;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * Makes a kit of a parts list: lines typed off a sheet, entered with the keypad, pasted, or read
 * from a file; then a quick review of what was guessed; then a name. What was typed is kept on the
 * disk until the kit is.
 */
public final class IntakeStage implements Stage {
  private static final int MOST_ROWS = 5;
  private static final int MOST_CANDIDATES = 6;

  private final Session session;
  private final Desk desk;
  private final Words words;
  private final Path kept;
  private final Clock clock;
  private final List<String> lines = new ArrayList<>();
  private final List<PartRow> tableRows = new ArrayList<>();
  private final List<PartRow> placeRows = new ArrayList<>();
  private final List<Finding> tableProblems = new ArrayList<>();
  private String typed = "";
  private String trouble = "";
  private Draft draft;
  private @Nullable Guided guided;
  private @Nullable Review review;
  private boolean naming;
  private int candidate;

  /** Makes the stage; what was typed earlier and not kept as a kit is there again. */
  public IntakeStage(Session session, Desk desk, Clock clock) {
    this.session = session;
    this.desk = desk;
    this.words = desk.words();
    this.clock = clock;
    this.kept = session.home().resolve("typed-list.txt");
    try {
      if (Files.exists(kept)) {
        Files.readString(kept).lines().filter(line -> !line.isBlank()).forEach(lines::add);
      }
    } catch (IOException e) {
      trouble = words.say("intake.not-kept", kept);
    }
    this.draft = made();
  }

  private SheetText sheet(List<String> from) {
    return SheetText.read(
        String.join("\n", from), words.say("intake.sheet"), ReadingBudget.usual());
  }

  private List<PartRow> rows() {
    List<PartRow> rows = new ArrayList<>(tableRows);
    rows.addAll(sheet(lines).rows());
    return rows;
  }

  private Draft made() {
    return Intake.draft(name(), rows(), placeRows, Map.of());
  }

  private String name() {
    String date =
        DateTimeFormatter.ofLocalizedDate(FormatStyle.MEDIUM)
            .withLocale(Locale.getDefault())
            .format(LocalDate.now(clock));
    return words.say("intake.name.usual", date);
  }

  private void changed() {
    draft = made();
    try {
      String text = String.join("\n", lines);
      if (lines.isEmpty()) {
        Files.deleteIfExists(kept);
      } else {
        WholeFile.replace(kept, text.getBytes(StandardCharsets.UTF_8));
      }
    } catch (IOException e) {
      trouble = words.say("intake.not-kept", kept);
    }
  }

  @Override
  public Card card() {
    if (naming) {
      return nameCard();
    }
    Review going = review;
    if (going != null) {
      return going.next().map(question -> questionCard(going, question)).orElseGet(this::nameCard);
    }
    return guided == null ? lineCard() : guidedCard(guided);
  }

  private Card lineCard() {
    Card.Maker card =
        new Card.Maker(
            words.say("intake.kicker", draft.kit().lines().size()), words.say("intake.title"));
    if (typed.isEmpty()) {
      card.how(words.say("intake.how"));
      card.how(words.say("intake.how.more"));
    }
    card.field(typed, "");
    if (!typed.isEmpty()) {
      preview(card);
    } else if (!trouble.isEmpty()) {
      card.verdict(false, trouble);
    }
    problems().stream().limit(MOST_ROWS).forEach(text -> card.row(Standing.TO_DO, text));
    card.hint("+", words.say("intake.by-keypad"), this::refreshing);
    card.hint(words.say("intake.key.paste"), words.say("intake.paste"), this::pasteNow);
    card.hint(words.say("intake.key.open"), words.say("intake.open"), this::openFile);
    if (!lines.isEmpty()) {
      card.hint(
          "−",
          words.say("key.take-back"),
          () -> {
            takeBack();
            desk.refresh();
          });
    }
    if (!typed.isEmpty()) {
      return card.go(words.say("intake.add"));
    }
    boolean some = !draft.kit().lines().isEmpty();
    return some
        ? card.go(words.say("intake.review", openQuestions()))
        : card.notYet(words.say("intake.nothing"));
  }

  private int openQuestions() {
    return new Review(name(), rows(), placeRows, Map.of()).open().size();
  }

  private void refreshing() {
    plus();
    desk.refresh();
  }

  private void pasteNow() {
    desk.paste();
  }

  @Override
  public void openFile() {
    desk.chooseFile(words.say("intake.choose"), this::file);
  }

  private List<String> problems() {
    List<String> all = new ArrayList<>();
    tableProblems.forEach(problem -> all.add(problem.toString()));
    sheet(lines).problems().forEach(problem -> all.add(problem.toString()));
    draft.problems().forEach(problem -> all.add(problem.toString()));
    return all;
  }

  /** What the typed line would become. */
  private void preview(Card.Maker card) {
    SheetText sheet = sheet(List.of(typed));
    Draft one = Intake.draft(name(), sheet.rows(), List.of(), Map.of());
    if (one.kit().lines().isEmpty() && one.kit().loose().isEmpty()) {
      card.verdict(false, words.say("intake.no-part"));
      return;
    }
    one.kit()
        .lines()
        .forEach(line ->
            card.verdict(
                true,
                words.say(
                    "intake.reads",
                    line.supplied(),
                    LineNames.single(words, line),
                    String.join(", ", line.refs()))));
    one.kit()
        .loose()
        .forEach(item ->
            card.verdict(true, words.say("intake.reads-loose", item.supplied(), item.name())));
  }

  private Card guidedCard(Guided line) {
    Card.Maker card =
        new Card.Maker(
            words.say("intake.kicker", draft.kit().lines().size()),
            words.say("intake.ask." + line.ask().name().toLowerCase(Locale.ROOT)));
    String kind = words.say("kind." + line.choice().kind().text());
    card.hint(
        "Esc",
        words.say("intake.leave"),
        () -> {
          cancel();
          desk.refresh();
        });
    return switch (line.ask()) {
      case PIECES -> {
        card.field(typed, words.say("intake.pieces"));
        yield whole() ? card.go(words.say("intake.next")) : card.notYet(words.say("intake.digits"));
      }
      case KIND -> {
        int at = Guided.CHOICES.indexOf(line.choice());
        for (int i = at; i < Math.min(at + MOST_CANDIDATES, Guided.CHOICES.size()); i++) {
          card.row(
              i == at ? Standing.NOW : Standing.TO_DO,
              words.say("kind." + Guided.CHOICES.get(i).kind().text()));
        }
        card.hint("+", words.say("intake.next-kind"), this::refreshing);
        yield card.go(words.say("intake.take", kind));
      }
      case VALUE -> {
        card.field(typed, words.say("intake.unit", line.prefix(), unit(line.choice().kind())));
        card.hint("+", words.say("sort.prefix"), this::refreshing);
        boolean read = Quantity.parse(typed) instanceof QuantityText.Read;
        yield read ? card.go(words.say("intake.next")) : card.notYet(words.say("intake.digits"));
      }
      case NUMBER -> {
        int from = typed.isEmpty() || !whole() ? free(line) : Integer.parseInt(typed);
        card.field(typed, line.choice().letters());
        String letters = line.choice().letters();
        card.how(
            line.pieces() > 1
                ? words.say("intake.from-to", letters + from, letters + (from + line.pieces() - 1))
                : words.say("intake.from", letters + from));
        yield whole() ? card.go(words.say("intake.add")) : card.notYet(words.say("intake.digits"));
      }
    };
  }

  private static String unit(PartKind kind) {
    return switch (kind) {
      case CAPACITOR, CAPACITOR_POLARISED -> "F";
      case CRYSTAL -> "Hz";
      default -> "Ω";
    };
  }

  private boolean whole() {
    return typed.isEmpty() || (typed.matches("[0-9]{1,3}") && Integer.parseInt(typed) > 0);
  }

  /** The first number after the highest in use for these letters. */
  private int free(Guided line) {
    String letters = line.choice().letters();
    return draft.kit().lines().stream()
            .flatMap(each -> each.refs().stream())
            .filter(ref -> ref.matches(letters + "[0-9]{1,5}"))
            .mapToInt(ref -> Integer.parseInt(ref.substring(letters.length())))
            .max()
            .orElse(0)
        + 1;
  }

  private Card questionCard(Review going, Question question) {
    List<String> candidates = candidates(question);
    String chosen = candidates.get(candidate % candidates.size());
    Card.Maker card =
        new Card.Maker(
            words.say("intake.review.kicker", going.open().size()),
            words.say("intake.question." + question.key(), about(going, question)));
    card.how(question.because());
    if (!typed.isEmpty()) {
      card.field(typed, "");
      boolean known = isKnown(question, typed);
      card.verdict(known, words.say(known ? "intake.typed" : "intake.typed-no", typed));
    }
    for (int i = 0; typed.isEmpty() && i < Math.min(MOST_CANDIDATES, candidates.size()); i++) {
      String text = shown(question, candidates.get(i));
      card.row(
          candidates.get(i).equals(chosen) ? Standing.NOW : Standing.TO_DO,
          i == 0 ? words.say("intake.guess", text, Math.round(question.confidence() * 100)) : text);
    }
    if (candidates.size() > 1) {
      card.hint("+", words.say("intake.other"), this::refreshing);
    }
    card.hint(
        "0",
        words.say("intake.all"),
        () -> {
          enter("0");
          desk.refresh();
        });
    card.hint(
        "−",
        words.say("intake.back"),
        () -> {
          takeBack();
          desk.refresh();
        });
    if (typed.equals("0")) {
      return card.go(words.say("intake.all"));
    }
    return typed.isEmpty() || isKnown(question, typed)
        ? card.go(words.say("intake.take", shown(question, typed.isEmpty() ? chosen : typed)))
        : card.notYet(words.say("intake.again"));
  }

  private String shown(Question question, String value) {
    return question.key().equals("kind") && words.knows("kind." + value)
        ? words.say("kind." + value)
        : question.key().endsWith("_mm") ? value + " mm" : value;
  }

  private static List<String> candidates(Question question) {
    List<String> all = new ArrayList<>();
    all.add(question.value());
    all.addAll(question.others());
    return all;
  }

  private static boolean isKnown(Question question, String text) {
    return switch (question.key()) {
      case "kind" -> PartKind.named(text).isPresent();
      case "package" -> PackageLibrary.find(text).isPresent();
      case "tolerance_pct", "bands", "supplied" ->
          Quantity.parse(text) instanceof QuantityText.Read;
      case "value" -> Quantity.parse(text) instanceof QuantityText.Read;
      default -> false;
    };
  }

  private String about(Review going, Question question) {
    List<Line> of =
        question.lines().stream().flatMap(id -> going.draft().kit().line(id).stream()).toList();
    if (of.isEmpty()) {
      return words.say("intake.board");
    }
    Line first = of.getFirst();
    String name = LineNames.single(words, first);
    String refs = first.refs().isEmpty() ? "" : " " + String.join(" ", first.refs());
    return of.size() == 1 ? name + refs : words.say("intake.and-more", name, of.size() - 1);
  }

  private Card nameCard() {
    Card.Maker card =
        new Card.Maker(words.say("intake.name.kicker"), words.say("intake.name.title"));
    String shown = typed.isEmpty() ? name() : typed;
    card.how(words.say("intake.name.how", current().kit().lines().size()));
    card.field(shown, "");
    if (!trouble.isEmpty()) {
      card.verdict(false, trouble);
    }
    problems().stream().limit(MOST_ROWS).forEach(text -> card.row(Standing.TO_DO, text));
    card.hint(
        "−",
        words.say("intake.back"),
        () -> {
          takeBack();
          desk.refresh();
        });
    return card.go(words.say("intake.keep"));
  }

  private Draft current() {
    Review going = review;
    return going == null ? draft : going.draft();
  }

  @Override
  public Mat mat() {
    Review going = review;
    Set<String> doubtful = new HashSet<>();
    Set<String> now = new HashSet<>();
    if (going != null) {
      going.open().forEach(question -> doubtful.addAll(question.lines()));
      going.next().ifPresent(question -> now.addAll(question.lines()));
    }
    return new DraftMat(
        words.say(going == null ? "intake.mat" : "intake.mat.review"),
        words.say("intake.mat.empty"),
        current(),
        now,
        doubtful,
        words);
  }

  @Override
  public boolean takesText() {
    return guided == null;
  }

  @Override
  public boolean takesLetter(char letter) {
    return guided == null;
  }

  @Override
  public void typing(String text) {
    typed = text;
    trouble = "";
  }

  @Override
  public void plus() {
    Guided line = guided;
    if (line != null) {
      line.plus();
    } else if (review != null) {
      candidate++;
    } else {
      guided = new Guided();
      desk.type("");
    }
  }

  @Override
  public boolean cancel() {
    boolean was = guided != null;
    guided = null;
    if (was) {
      desk.type("");
    }
    return was;
  }

  @Override
  public boolean takeBack() {
    if (guided != null) {
      return cancel();
    }
    if (naming || review != null) {
      naming = false;
      review = null;
      candidate = 0;
      return true;
    }
    if (!lines.isEmpty()) {
      lines.removeLast();
    } else if (!tableRows.isEmpty()) {
      tableRows.clear();
      placeRows.clear();
      tableProblems.clear();
    }
    changed();
    return true;
  }

  @Override
  public void paste(String text) {
    if (review != null || naming) {
      desk.type(typed + text.strip().replaceAll("\\s+", " "));
      return;
    }
    guided = null;
    takeText(text, words.say("intake.pasted"));
  }

  /** Reads a file that was dropped or chosen. */
  public void file(Path file) {
    review = null;
    naming = false;
    guided = null;
    trouble = "";
    try {
      takeText(TableText.read(file, ReadingBudget.usual()), String.valueOf(file.getFileName()));
    } catch (IOException e) {
      trouble = String.valueOf(e.getMessage());
    }
    desk.refresh();
  }

  /** A text with columns is a table, of parts or of places; any other is a sheet. */
  private void takeText(String text, String source) {
    Optional<PartsTable> places = table(text, source, true);
    if (places.isPresent()) {
      placeRows.addAll(places.get().rows());
      tableProblems.addAll(places.get().problems());
    } else {
      Optional<PartsTable> table =
          text.strip().lines().count() > 1 ? table(text, source, false) : Optional.empty();
      if (table.isPresent()) {
        tableRows.addAll(table.get().rows());
        tableProblems.addAll(table.get().problems());
      } else {
        text.lines().map(String::strip).filter(line -> !line.isEmpty()).forEach(lines::add);
      }
    }
    changed();
  }

  private static Optional<PartsTable> table(String text, String source, boolean places) {
    try {
      PartsTable table = places ? PartsTable.places(text, source) : PartsTable.parts(text, source);
      boolean headed = table.problems().stream().noneMatch(p -> p.level() == Finding.Level.NOTE);
      return headed ? Optional.of(table) : Optional.empty();
    } catch (IOException e) {
      // No table of that kind: the text is read another way.
      return Optional.empty();
    }
  }

  @Override
  public void enter(String text) {
    typed = text;
    Guided line = guided;
    Review going = review;
    if (line != null) {
      String done = line.answer(text, free(line));
      desk.type("");
      if (done != null) {
        guided = null;
        add(done);
      }
    } else if (going != null && going.next().isPresent()) {
      decide(going, going.next().get(), text);
    } else if (naming || going != null) {
      keep(text);
    } else if (!text.isEmpty()) {
      if (!sheet(List.of(text)).rows().isEmpty()) {
        add(text);
        desk.type("");
      }
    } else if (!draft.kit().lines().isEmpty()) {
      review = new Review(name(), rows(), placeRows, Map.of());
      candidate = 0;
    }
  }

  private void add(String line) {
    lines.add(line);
    changed();
  }

  private void decide(Review going, Question question, String text) {
    if (text.equals("0")) {
      going.decideAll();
    } else if (text.isEmpty()) {
      List<String> candidates = candidates(question);
      going.decide(question, candidates.get(candidate % candidates.size()));
    } else if (isKnown(question, text)) {
      going.decide(question, text);
    } else {
      return;
    }
    candidate = 0;
    desk.type("");
  }

  private void keep(String text) {
    String name = text.isBlank() ? name() : text.strip();
    Review going = review;
    List<PartRow> rows = going == null ? rows() : going.rows();
    Kit kit = Intake.draft(name, rows, placeRows, Map.of()).kit();
    try {
      Path at = session.keep(kit);
      Files.deleteIfExists(kept);
      session.layKit(at);
      desk.go(StageId.UNPACK);
    } catch (IOException e) {
      trouble = String.valueOf(e.getMessage());
      naming = true;
    }
  }
}
