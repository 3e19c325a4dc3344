package humble.desktop.fit;

import humble.core.build.BuildEvent;
import humble.core.craft.Reversal;
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

  /** The part in hand: one whose marks are still to be looked at, else any, one after the other. */
  @Override
  protected Optional<String> focused() {
    return unlooked()
        .or(() -> Optional.of(step.refs().get(Math.min(focus, step.refs().size() - 1))));
  }

  /** What must not be set the wrong way round is looked at twice, in paste as well. */
  private Optional<String> unlooked() {
    boolean setting = doing().filter("place"::equals).isPresent();
    return step.refs().stream()
        .filter(ref -> setting)
        .filter(ref -> Reversal.of(open.built(), open.built().get(ref)).needsTwoMarks())
        .filter(ref -> unseen(said(ref), prefix(ref)) > 0)
        .findFirst();
  }

  private static String prefix(String ref) {
    return ref + " ";
  }

  private Optional<String> doing() {
    Set<String> seen = open.build().marksSeen(step.id());
    return PARTS.stream().filter(each -> !seen.contains(each)).findFirst();
  }

  @Override
  public Card card() {
    Card.Maker card = begun();
    Set<String> seen = open.build().marksSeen(step.id());
    Optional<String> now = doing();
    String doing = now.orElse("reflow");
    card.how(say("fit.paste." + doing + ".how"));
    int open = doing.equals("place") ? placing(card) : 0;
    if (open == 0) {
      rows(card, seen, doing);
    }
    if (doing.equals("reflow")) {
      card.caution(true, say("fit.paste.caution"));
      cannotBear().ifPresent(refs -> card.caution(true, say("fit.paste.bears-not", refs)));
    }
    caution(card);
    why(card);
    withTools(card);
    return open > 0
        ? card.notYet(say("fit.look-first", open))
        : card.go(say("fit.paste." + doing + ".go"), () -> did(doing, seen));
  }

  private void rows(Card.Maker card, Set<String> seen, String doing) {
    for (String each : PARTS) {
      card.row(
          seen.contains(each) ? Standing.DONE : each.equals(doing) ? Standing.NOW : Standing.TO_DO,
          say("fit.paste." + each));
    }
  }

  /** Which part goes where, with its way round; gives how many marks are still to be seen. */
  private int placing(Card.Maker card) {
    String ref = focused().orElseThrow();
    PartWords said = said(ref);
    card.how(say("fit.paste.now", ref, LineNames.single(seat.words(), said.part().line())));
    said.orientation().forEach(card::how);
    if (unlooked().isPresent()) {
      return marks(card, said, prefix(ref));
    }
    if (step.refs().size() > 1) {
      card.key('+', say("fit.next-place"), () -> focus = (focus + 1) % step.refs().size());
    }
    return 0;
  }

  /** What is on the board already and would not bear the heat of a whole side. */
  private Optional<String> cannotBear() {
    List<String> refs =
        open.onBoard().stream()
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
