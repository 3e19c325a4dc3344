package humble.desktop.fit;

import humble.core.build.BuildEvent;
import humble.core.kit.Line;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.Card;
import humble.desktop.stage.LineNames;
import humble.desktop.stage.Standing;
import java.util.ArrayList;
import java.util.List;

/** Lights that look alike until they are lit are lit before they are fitted. */
final class TryHand extends StepHand {
  private static final int MOST_OTHERS = 6;

  private final Line line;

  TryHand(Of of, Line line) {
    super(of);
    this.line = line;
  }

  /** Tells whether the lights of a line were lit and gave the colour they should. */
  static boolean isTried(OpenBuild open, Line line) {
    return open.build()
        .tried(line.id())
        .filter(seen -> seen.equalsIgnoreCase(line.particulars().colour()))
        .isPresent();
  }

  @Override
  String title() {
    return say("fit.try.title", LineNames.single(seat.words(), line));
  }

  /** Colours of the other clear lenses of the kit: theirs is the bag it may have come from. */
  private List<Line> others() {
    return open.kit().bagged().stream()
        .filter(Line::isLitToBeKnown)
        .filter(
            other -> !other.particulars().colour().equalsIgnoreCase(line.particulars().colour()))
        .limit(MOST_OTHERS)
        .toList();
  }

  @Override
  public Card card() {
    String colour = line.particulars().colour();
    Card.Maker card = begun().how(say("fit.try.how")).how(say("fit.try.all", step.refs().size()));
    open.build().tried(line.id()).ifPresent(seen -> card.verdict(false, verdict(seen)));
    List<String> answers = new ArrayList<>();
    answers.add(colour);
    others().forEach(other -> answers.add(other.particulars().colour()));
    for (int i = 0; i < answers.size(); i++) {
      String answer = answers.get(i);
      card.choice(
          i + 1,
          i == 0 ? Standing.NOW : Standing.TO_DO,
          say("fit.choice", i + 1, say(i == 0 ? "fit.try.right" : "fit.try.other", answer)),
          () -> open.act(new BuildEvent.Tried(line.id(), answer)));
    }
    card.choice(
        answers.size() + 1,
        Standing.TO_DO,
        say("fit.choice", answers.size() + 1, say("fit.try.dark")),
        () -> open.act(new BuildEvent.Tried(line.id(), "")));
    card.why(say("fit.try.why"));
    withTools(card);
    return card.go(
        say("fit.try.go", colour), () -> open.act(new BuildEvent.Tried(line.id(), colour)));
  }

  private String verdict(String seen) {
    return seen.isEmpty()
        ? say("fit.try.was-dark")
        : others().stream()
            .filter(other -> other.particulars().colour().equalsIgnoreCase(seen))
            .findFirst()
            .map(other -> say("fit.try.was-other", seen, String.join(", ", other.refs())))
            .orElseGet(() -> say("fit.try.was", seen));
  }
}
