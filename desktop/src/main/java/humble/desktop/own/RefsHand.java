package humble.desktop.own;

import humble.core.kit.Line;
import humble.core.kit.RefOrder;
import humble.core.own.Edit;
import humble.core.own.Follows;
import humble.core.own.FreeNames;
import humble.desktop.draw.Mat;
import humble.desktop.hand.Hand;
import humble.desktop.stage.Card;
import humble.desktop.stage.LineNames;
import java.util.List;
import java.util.Set;

/** Asks whether the parts of a line without designators have names on the board. */
final class RefsHand extends Hand {
  /** Begins the ids of such questions. */
  static final String QUESTION = "refs:";

  private final OwnBench bench;
  private final Line line;

  RefsHand(OwnBench bench, Line line) {
    super(bench.seat());
    this.bench = bench;
    this.line = line;
  }

  @Override
  public Card card() {
    List<String> names = FreeNames.of(bench.kit(), line);
    String shown = RefOrder.listed(names);
    Card.Maker card =
        seat.card(
            say("own.refs.kicker"),
            say("own.refs.title", line.supplied(), LineNames.brief(seat.words(), line), shown));
    card.how(say("own.refs.how"));
    bench.trouble(card);
    card.silent('0', this::none);
    card.click("0", say("own.refs.none"), this::none);
    card.key('+', say("own.later"), () -> bench.putOff(QUESTION + line.id()));
    card.key(Card.BACK, say("key.take-back"), bench::takeBack);
    card.why(say("own.refs.why"));
    return card.go(
        say("own.refs.go", shown),
        () ->
            bench.tell(
                QUESTION + line.id(),
                shown,
                new Follows(List.of(new Edit.HasRefs(line.id(), names)), List.of())));
  }

  private void none() {
    bench.tell(QUESTION + line.id(), say("own.refs.none"), Follows.nothing());
  }

  @Override
  public Mat mat() {
    return bench.mat(say("own.refs.mat"), List.of(), List.of(), Set.of(), OwnMat.Answers.NOTHING);
  }
}
