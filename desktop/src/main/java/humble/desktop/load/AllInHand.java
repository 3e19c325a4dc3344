package humble.desktop.load;

import humble.core.build.BuildEvent;
import humble.desktop.session.Progress;
import humble.desktop.stage.Card;
import humble.desktop.stage.StageId;
import humble.desktop.stage.Standing;
import java.util.Optional;

/** Nothing is left to load, or the kit has nothing to load: told apart. */
final class AllInHand extends LoadHand {
  AllInHand(LoadBench bench) {
    super(bench, bench.all().isEmpty() ? Optional.empty() : Optional.of(bench.all().getLast()));
  }

  @Override
  double sent() {
    return 1;
  }

  @Override
  public Card card() {
    boolean any = !bench.all().isEmpty();
    boolean proved =
        open.build().loaded().values().stream().allMatch(BuildEvent.Loaded::verified)
            && !open.build().started().containsValue(false);
    Card.Maker card = seat.card(say("load.kicker"), say(title(any, proved)));
    open.build().loaded().values().forEach(loaded -> row(card, loaded));
    open.build()
        .started()
        .forEach((image, byItself) ->
            card.row(
                byItself ? Standing.DONE : Standing.TO_DO,
                say(byItself ? "load.starts" : "load.starts-not", image)));
    if (open.build().started().containsValue(false)) {
      card.verdict(false, say("load.starts-not.why"));
    }
    bench.beside().rows(card);
    bench.panel().rows(card);
    // What went in early comes before the parts that wait for it.
    StageId next =
        Progress.step(open)
            .map(step -> Progress.place(open.kit(), step))
            .filter(stage -> stage.ordinal() < StageId.LOAD.ordinal())
            .orElse(StageId.WAKE);
    return next == StageId.WAKE
        ? card.go(say("load.wake"), () -> seat.desk().go(StageId.WAKE))
        : card.go(say("power.back"), () -> seat.desk().go(next));
  }

  private String title(boolean any, boolean proved) {
    if (any || bench.panel().isEmpty()) {
      return !any ? "load.nothing" : proved ? "load.done" : "load.done-unproved";
    }
    return bench.panel().isDone()
        ? "load.toggled-all"
        : bench.panel().waits() ? "load.toggle-waits" : "load.toggle";
  }

  private void row(Card.Maker card, BuildEvent.Loaded loaded) {
    String key =
        loaded.verified()
            ? "load.row"
            : switch (loaded.proof()) {
              case "blocks" -> "load.row-blocks";
              case "taken" -> "load.row-taken";
              case "command" -> "load.row-command";
              default -> "load.row-own";
            };
    card.row(
        loaded.verified() ? Standing.DONE : Standing.TO_DO,
        say(key, loaded.image(), loaded.bytes()));
  }
}
