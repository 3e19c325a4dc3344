package humble.desktop.own;

import humble.core.intake.Draft;
import humble.core.intake.Intake;
import humble.core.intake.SheetText;
import humble.core.kit.Finding;
import humble.core.kit.Kit;
import humble.core.kit.Line;
import humble.core.own.Edit;
import humble.core.own.Follows;
import humble.desktop.draw.Mat;
import humble.desktop.hand.Hand;
import humble.desktop.stage.Card;
import humble.desktop.stage.LineNames;
import humble.desktop.stage.Standing;
import humble.desktop.stage.Takes;
import humble.formats.ReadingBudget;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Adds lines to the parts list: typed one by one, or pasted. */
final class LinesHand extends Hand {
  private static final int SHOWN = 5;

  private final OwnBench bench;
  private List<Finding> problems = List.of();
  private boolean over;

  LinesHand(OwnBench bench) {
    super(bench.seat());
    this.bench = bench;
  }

  @Override
  public boolean over() {
    return over;
  }

  @Override
  public Card card() {
    List<Line> lines = bench.kit().lines();
    Card.Maker card = seat.card(say("own.lines.kicker", lines.size()), say("own.lines.title"));
    card.how(say("own.lines.how"));
    card.field(typed().text(), "", Takes.TEXT);
    bench.trouble(card);
    lines.stream()
        .skip(Math.max(0, lines.size() - SHOWN))
        .forEach(line ->
            card.row(Standing.DONE, line.supplied() + " × " + LineNames.brief(seat.words(), line)));
    problems.stream()
        .limit(SHOWN)
        .forEach(problem -> card.row(Standing.DEVIATED, problem.toString()));
    if (problems.size() > SHOWN) {
      card.row(Standing.DEVIATED, say("own.lines.more", problems.size() - SHOWN));
    }
    card.key(Card.BACK, say("key.take-back"), this::back);
    card.key('.', say("own.join.leave"), () -> over = true);
    return typed().isEmpty()
        ? card.go(say("own.lines.done"), () -> over = true)
        : card.go(say("own.lines.go"), () -> take(typed().text()));
  }

  private void back() {
    if (bench.open().build().answers().isEmpty()) {
      over = true;
    } else {
      bench.takeBack();
    }
  }

  void paste(String text) {
    take(text);
  }

  private void take(String text) {
    SheetText sheet = SheetText.read(text, say("own.lines.sheet"), ReadingBudget.usual());
    List<Finding> found = new ArrayList<>(sheet.problems());
    Draft draft = Intake.draft(bench.kit().name(), sheet.rows(), List.of(), Map.of());
    Kit made = draft.kit();
    Set<String> ids = new HashSet<>();
    bench.kit().lines().forEach(line -> ids.add(line.id()));
    List<Edit> edits = new ArrayList<>();
    made.packages().forEach(pack -> edits.add(new Edit.PutPackage(pack)));
    for (Line line : made.lines()) {
      edits.add(new Edit.PutLine(ids.add(line.id()) ? line : line.named(free(line.id(), ids))));
    }
    found.addAll(draft.problems());
    made.loose()
        .forEach(item ->
            found.add(
                Finding.warning(say("own.lines.sheet"), say("own.lines.loose", item.name()))));
    made.options()
        .forEach(option ->
            found.add(
                Finding.warning(
                    say("own.lines.sheet"), say("own.lines.option", option.question()))));
    problems = List.copyOf(found);
    if (made.lines().isEmpty()) {
      bench.trouble(say("own.lines.none"));
      return;
    }
    List<String> guessed = new ArrayList<>();
    draft.guesses().stream()
        .filter(guess -> guess.key().equals("package"))
        .flatMap(guess -> made.line(guess.line()).stream())
        .flatMap(line -> line.refs().stream())
        .forEach(ref -> guessed.add("package:" + ref));
    if (bench.tell(
        "lines:" + edits.size() + ":" + ids.size(), text.strip(), new Follows(edits, guessed))) {
      typed().clear();
    }
  }

  private static String free(String id, Set<String> taken) {
    int number = 2;
    while (!taken.add(id + "-" + number)) {
      number++;
    }
    return id + "-" + number;
  }

  @Override
  public Mat mat() {
    return bench.kit().boards().isEmpty()
        ? new BoardHand(bench, () -> {}, () -> {}).mat()
        : bench.mat(say("own.change.mat"), List.of(), List.of(), Set.of(), OwnMat.Answers.NOTHING);
  }
}
