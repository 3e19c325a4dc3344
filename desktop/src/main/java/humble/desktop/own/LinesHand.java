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
    List<Finding> problems = new ArrayList<>(sheet.problems());
    Draft draft = Intake.draft(bench.kit().name(), sheet.rows(), List.of(), Map.of());
    Kit made = draft.kit();
    Set<String> ids = new HashSet<>();
    bench.kit().lines().forEach(line -> ids.add(line.id()));
    List<Edit> edits = new ArrayList<>();
    for (Line line : made.lines()) {
      edits.add(new Edit.PutLine(ids.add(line.id()) ? line : line.named(free(line.id(), ids))));
    }
    problems.addAll(draft.problems());
    if (edits.isEmpty()) {
      bench.trouble(problems.isEmpty() ? say("own.lines.none") : problems.getFirst().toString());
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
      if (!problems.isEmpty()) {
        bench.trouble(problems.getFirst().toString());
      }
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
        ? new BoardHand(bench, () -> {}).mat()
        : bench.mat(say("own.change.mat"), List.of(), List.of(), Set.of(), OwnMat.Answers.NOTHING);
  }
}
