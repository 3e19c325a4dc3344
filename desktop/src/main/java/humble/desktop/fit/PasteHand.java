package humble.desktop.fit;

import humble.core.build.BuildEvent;
import humble.core.kit.Part;
import humble.core.kit.PartKind;
import humble.core.kit.Particulars;
import humble.core.route.Step;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.Card;
import humble.desktop.stage.LineNames;
import humble.desktop.stage.Standing;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Paste on every pad of a side, then its parts, then heat for all of them at once. */
final class PasteHand extends StepHand {
  private static final List<String> PARTS = List.of("print", "place", "reflow");
  private static final int MOST_NAMED = 6;

  private int focus;

  PasteHand(Of of) {
    super(of);
  }

  /** Tells whether the parts of a step are reflowed. */
  static boolean isPasted(OpenBuild open, Step step) {
    return step.act() == Step.Act.FIT
        && !step.refs().isEmpty()
        && open.built()
            .part(step.refs().getFirst())
            .filter(part -> part.line().particulars().method() == Particulars.Method.PASTE)
            .isPresent();
  }

  @Override
  String title() {
    return say("fit.paste.title", step.refs().size(), step.joints());
  }

  @Override
  protected Optional<String> focused() {
    return Optional.of(step.refs().get(Math.min(focus, step.refs().size() - 1)));
  }

  @Override
  public Card card() {
    Card.Maker card = begun();
    Set<String> seen = open.build().marksSeen(step.id());
    Optional<String> now = PARTS.stream().filter(each -> !seen.contains(each)).findFirst();
    for (String each : PARTS) {
      card.row(
          seen.contains(each)
              ? Standing.DONE
              : now.filter(each::equals).isPresent() ? Standing.NOW : Standing.TO_DO,
          say("fit.paste." + each));
    }
    String doing = now.orElse("reflow");
    card.how(say("fit.paste." + doing + ".how"));
    if (doing.equals("place")) {
      placing(card);
    }
    if (doing.equals("reflow")) {
      card.caution(true, say("fit.paste.caution"));
      cannotBear().ifPresent(refs -> card.caution(true, say("fit.paste.bears-not", refs)));
    }
    caution(card);
    why(card);
    withTools(card);
    return card.go(say("fit.paste." + doing + ".go"), () -> did(doing, seen));
  }

  /** Which part goes where, one after the other, with its way round. */
  private void placing(Card.Maker card) {
    String ref = focused().orElseThrow();
    Part part = open.built().get(ref);
    card.how(say("fit.paste.now", ref, LineNames.single(seat.words(), part.line())));
    new PartWords(
            open.built(),
            board.view(),
            part,
            ref,
            open.build().doubtfulLines().contains(part.line().id()),
            seat.words(),
            seat.desk().coreWords())
        .orientation()
        .forEach(card::how);
    if (step.refs().size() > 1) {
      card.key('+', say("fit.next-place"), () -> focus = (focus + 1) % step.refs().size());
    }
  }

  /** What is on the board already and would not bear the heat of a whole side. */
  private Optional<String> cannotBear() {
    List<String> refs =
        open.build().fittedRefs().stream()
            .filter(ref -> !step.refs().contains(ref))
            .flatMap(ref -> open.built().part(ref).stream())
            .filter(part -> part.placed().filter(p -> p.board().equals(step.board())).isPresent())
            .filter(part ->
                part.line().kind().is(PartKind.Fact.MELTS)
                    || part.line().fragile().contains("heat"))
            .map(Part::ref)
            .sorted()
            .limit(MOST_NAMED)
            .toList();
    return refs.isEmpty() ? Optional.empty() : Optional.of(String.join(", ", refs));
  }

  private void did(String what, Set<String> seen) {
    if (!seen.contains(what)) {
      open.act(new BuildEvent.MarkSeen(step.id(), what));
    }
    if (what.equals("reflow")) {
      done();
    }
  }
}
