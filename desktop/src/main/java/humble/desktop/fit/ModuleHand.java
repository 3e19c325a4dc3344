package humble.desktop.fit;

import humble.core.build.BuildEvent;
import humble.core.craft.ModuleFit;
import humble.core.kit.ModuleRows;
import humble.core.words.Words;
import humble.desktop.draw.Mat;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.Card;
import humble.desktop.stage.Desk;
import humble.desktop.stage.Standing;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Reads the labels at a module's pins, by the digits of the labels, and picks its row. */
final class ModuleHand implements Hand {
  private static final int MOST_LABELS = 9;

  /** Stands for a label that the board has nowhere. */
  static final String OTHER = "?";

  private final OpenBuild open;
  private final Desk desk;
  private final Words words;
  private final ModuleRows module;
  private final List<String> labels;
  private String typed = "";
  private boolean byHand;

  ModuleHand(OpenBuild open, Desk desk, ModuleRows module) {
    this.open = open;
    this.desk = desk;
    this.words = desk.words();
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

  @Override
  public boolean over() {
    return byHand || isRead(open, module);
  }

  /** A module that meets no row may be wired pin by pin instead. */
  @Override
  public void plus() {
    byHand = open.build().module(module.ref()).isPresent();
  }

  private List<String> read() {
    List<String> read = new ArrayList<>();
    for (char c : typed.toCharArray()) {
      int digit = c - '0';
      if (digit >= 0 && digit <= labels.size()) {
        read.add(digit == 0 ? OTHER : labels.get(digit - 1));
      }
    }
    return read.subList(0, Math.min(read.size(), module.rows().getFirst().labels().size()));
  }

  private String name(String label) {
    return label.equals(OTHER) ? words.say("fit.module.other") : label;
  }

  private Optional<ModuleFit> fit() {
    List<String> read = read();
    return typed.length() == read.size() && read.size() == module.rows().getFirst().labels().size()
        ? Optional.of(ModuleFit.of(module.rows(), read))
        : Optional.empty();
  }

  @Override
  public Card card() {
    Card.Maker card =
        new Card.Maker(words.say("fit.module.kicker"), words.say("fit.module.title", module.ref()));
    card.how(words.say("fit.module.how"));
    for (int i = 0; i < labels.size(); i++) {
      card.row(
          read().contains(labels.get(i)) ? Standing.DONE : Standing.TO_DO,
          words.say("fit.choice", i + 1, labels.get(i)));
    }
    card.row(Standing.TO_DO, words.say("fit.choice", 0, words.say("fit.module.other")));
    card.field(typed, "");
    if (open.build().module(module.ref()).isPresent()) {
      card.hint(
          "+",
          words.say("fit.module.by-hand"),
          () -> {
            plus();
            desk.refresh();
          });
    }
    Optional<ModuleFit> fit = fit();
    if (fit.isEmpty()) {
      open.build()
          .module(module.ref())
          .filter(last -> last.row().isEmpty() && typed.isEmpty())
          .ifPresent(last ->
              card.verdict(
                  false,
                  words.say("fit.module.last", last.labels().stream().map(this::name).toList())));
      return card.notYet(
          words.say("fit.module.more", module.rows().getFirst().labels().size() - read().size()));
    }
    return switch (fit.get()) {
      case ModuleFit.Row row ->
          card.verdict(true, words.say("fit.module.row", row.row().id()))
              .go(words.say("fit.module.go", row.row().id()));
      case ModuleFit.DoNotPlug no -> {
        card.verdict(false, words.say("fit.module.no"));
        no.meetings()
            .forEach(m ->
                card.how(words.say("fit.module.meets", m.hole(), name(m.module()), m.board())));
        yield card.go(words.say("fit.module.keep-out"));
      }
    };
  }

  @Override
  public void typing(String text) {
    typed = text;
  }

  @Override
  public void enter(String text) {
    typed = text;
    fit()
        .ifPresent(fit -> {
          String row =
              switch (fit) {
                case ModuleFit.Row found -> found.row().id();
                case ModuleFit.DoNotPlug no -> "";
              };
          open.act(new BuildEvent.ModuleRead(module.ref(), read(), row));
          typed = "";
          desk.type("");
        });
  }

  @Override
  public void digit(int digit) {
    // Digits go into the field.
  }

  @Override
  public Mat mat() {
    return new ModuleMat(words.say("fit.module.mat", module.ref()), module, read(), fit(), words);
  }
}
