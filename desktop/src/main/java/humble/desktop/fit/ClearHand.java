package humble.desktop.fit;

import humble.core.build.BuildEvent;
import humble.core.host.HoleState;
import humble.core.host.HoleToClear;
import humble.core.kit.Board;
import humble.core.kit.HostWork;
import humble.desktop.draw.Mat;
import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Clears the holes of a board that was there before, hole by hole. */
final class ClearHand extends StepHand {
  private static final int MOST_ROWS = 6;

  private final Board host;

  ClearHand(Of of) {
    super(of);
    this.host =
        HostWork.cleared(open.kit(), step.id())
            .orElseThrow(() -> new IllegalStateException("no host in " + step.id()));
  }

  private List<HoleToClear> holes() {
    return HoleToClear.of(open.parts(), host, open.leftOut(), open.holes());
  }

  private Optional<HoleToClear> hole() {
    return holes().stream().filter(HoleToClear::isLeft).findFirst();
  }

  @Override
  String title() {
    return hole()
        .map(hole -> say("fit.clear.title", hole.pin().toString()))
        .orElseGet(() -> say("fit.clear.all"));
  }

  @Override
  protected Optional<String> focused() {
    return hole().map(hole -> hole.pin().ref());
  }

  @Override
  public Card card() {
    List<HoleToClear> holes = holes();
    Optional<HoleToClear> now = hole();
    Card.Maker card = begun();
    boolean takesOff =
        now.flatMap(hole -> open.parts().part(hole.pin().ref()))
            .map(part ->
                part.line().particulars().comesOff() || part.line().particulars().aged() != null)
            .orElse(false);
    now.ifPresent(hole -> {
      boolean filled = hole.state().isPresent();
      boolean begun =
          holes.stream()
              .anyMatch(h -> h.pin().ref().equals(hole.pin().ref()) && h.state().isPresent());
      if (!begun && takesOff) {
        card.how(say("fit.task.remove"));
      }
      card.how(say(filled ? "fit.clear.filled" : "fit.clear.how"));
    });
    holes.stream()
        .filter(hole -> hole.state().filter(s -> s == HoleState.LIFTED).isPresent())
        .forEach(hole -> card.verdict(false, seat.say(hole.detour(open.parts()))));
    rows(card, holes, now);
    caution(card);
    why(card);
    withTools(card);
    if (now.isEmpty()) {
      return card.go(say("fit.task.go"), this::done);
    }
    HoleToClear hole = now.get();
    card.key('1', say("fit.clear.still"), () -> seen(hole, HoleState.FILLED));
    card.key('2', say("fit.clear.lifted"), () -> seen(hole, HoleState.LIFTED));
    card.key('+', say("fit.clear.part", hole.pin().ref()), () -> allOf(hole.pin().ref()));
    return card.go(say("fit.clear.go"), () -> seen(hole, HoleState.OPEN));
  }

  /** One row a part: how many of its holes are open. */
  private void rows(Card.Maker card, List<HoleToClear> holes, Optional<HoleToClear> now) {
    Map<String, List<HoleToClear>> byPart = new LinkedHashMap<>();
    holes.forEach(
        hole -> byPart.computeIfAbsent(hole.pin().ref(), key -> new ArrayList<>()).add(hole));
    long open = holes.stream().filter(hole -> !hole.isLeft()).count();
    card.row(Standing.NOW, say("fit.clear.count", open, holes.size()));
    String here = now.map(hole -> hole.pin().ref()).orElse("");
    byPart.entrySet().stream()
        .filter(part ->
            part.getKey().equals(here) || part.getValue().stream().anyMatch(HoleToClear::isLeft))
        .limit(MOST_ROWS)
        .forEach(part -> {
          long done = part.getValue().stream().filter(hole -> !hole.isLeft()).count();
          card.row(
              done == part.getValue().size()
                  ? Standing.DONE
                  : part.getKey().equals(here) ? Standing.NOW : Standing.TO_DO,
              say("fit.clear.row", part.getKey(), done, part.getValue().size()));
        });
  }

  private void seen(HoleToClear hole, HoleState state) {
    open.act(new BuildEvent.HoleSeen(hole.pin().toString(), state.text()));
  }

  private void allOf(String ref) {
    open.act(
        holes().stream()
            .filter(hole -> hole.pin().ref().equals(ref) && hole.isLeft())
            .map(hole -> new BuildEvent.HoleSeen(hole.pin().toString(), HoleState.OPEN.text()))
            .toArray(BuildEvent[]::new));
  }

  /** Tells whether a task is the clearing of a host's holes. */
  static boolean is(StepHand.Of of) {
    return HostWork.cleared(of.open().kit(), of.step().id()).isPresent();
  }

  @Override
  public Mat mat() {
    return board.mat(Optional.of(step), focused(), Optional.empty());
  }
}
