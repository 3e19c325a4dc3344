package humble.desktop.fit;

import humble.core.build.BuildEvent;
import humble.core.craft.ModuleFit;
import humble.core.kit.ModuleRows;
import humble.desktop.draw.Mat;
import humble.desktop.hand.Hand;
import humble.desktop.hand.Seat;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Reads the labels at a module's pins, by the digits of the labels, and picks its row. */
final class ModuleHand extends Hand {
  private static final int MOST_LABELS = 9;

  /** Stands for a label that the board has nowhere. */
  static final String OTHER = "?";

  private final OpenBuild open;
  private final ModuleRows module;
  private final List<String> labels;
  private final Runnable byHand;

  /** Makes it; {@code byHand} runs when it is to be wired pin by pin. */
  ModuleHand(Seat seat, OpenBuild open, ModuleRows module, Runnable byHand) {
    super(seat);
    this.open = open;
    this.byHand = byHand;
    this.module = module;
    this.labels = labels(module);
  }

  private static List<String> labels(ModuleRows module) {
    return module.rows().stream()
        .flatMap(row -> row.labels().stream())
        .distinct()
        .sorted()
        .toList();
  }

  /** Tells whether the labels can be typed: each needs a digit of its own. */
  static boolean canBeTyped(ModuleRows module) {
    return !module.rows().isEmpty() && labels(module).size() <= MOST_LABELS;
  }

  /** Tells whether a module's labels were read and meet a row. */
  static boolean isRead(OpenBuild open, ModuleRows module) {
    return open.build().module(module.ref()).map(read -> !read.row().isEmpty()).orElse(false);
  }

  private List<String> read() {
    List<String> read = new ArrayList<>();
    for (char c : typed().text().toCharArray()) {
      int digit = c - '0';
      if (digit >= 0 && digit <= labels.size()) {
        read.add(digit == 0 ? OTHER : labels.get(digit - 1));
      }
    }
    return read.subList(0, Math.min(read.size(), module.rows().getFirst().labels().size()));
  }

  private String name(String label) {
    return label.equals(OTHER) ? say("fit.module.other") : label;
  }

  private Optional<ModuleFit> fit() {
    List<String> read = read();
    return typed().text().length() == read.size()
            && read.size() == module.rows().getFirst().labels().size()
        ? Optional.of(ModuleFit.of(module.rows(), read))
        : Optional.empty();
  }

  @Override
  public Card card() {
    Card.Maker card = seat.card(say("fit.module.kicker"), say("fit.module.title", module.ref()));
    card.how(say("fit.module.how"));
    for (int i = 0; i < labels.size(); i++) {
      card.row(
          read().contains(labels.get(i)) ? Standing.DONE : Standing.TO_DO,
          say("fit.choice", i + 1, labels.get(i)));
    }
    card.row(Standing.TO_DO, say("fit.choice", 0, say("fit.module.other")));
    card.field(typed().text(), "");
    if (open.build().module(module.ref()).isPresent()) {
      // A module that meets no row may be wired pin by pin instead.
      card.key('+', say("fit.module.by-hand"), byHand);
    }
    Optional<ModuleFit> fit = fit();
    if (fit.isEmpty()) {
      open.build()
          .module(module.ref())
          .filter(last -> last.row().isEmpty() && typed().isEmpty())
          .ifPresent(last ->
              card.verdict(
                  false, say("fit.module.last", last.labels().stream().map(this::name).toList())));
      return card.notYet(
          say("fit.module.more", module.rows().getFirst().labels().size() - read().size()));
    }
    return switch (fit.get()) {
      case ModuleFit.Row row ->
          card.verdict(true, say("fit.module.row", row.row().id()))
              .go(say("fit.module.go", row.row().id()), () -> is(row.row().id()));
      case ModuleFit.DoNotPlug no -> {
        card.verdict(false, say("fit.module.no"));
        no.meetings()
            .forEach(m -> card.how(say("fit.module.meets", m.hole(), name(m.module()), m.board())));
        yield card.go(say("fit.module.keep-out"), () -> is(""));
      }
    };
  }

  private void is(String row) {
    open.act(new BuildEvent.ModuleRead(module.ref(), read(), row));
    typed().clear();
  }

  @Override
  public Mat mat() {
    return new ModuleMat(say("fit.module.mat", module.ref()), module, read(), fit(), seat.words());
  }
}
