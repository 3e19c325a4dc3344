package humble.desktop.load;

import humble.bench.line.OwnProgrammer;
import humble.core.build.BuildEvent;
import humble.desktop.stage.Card;
import humble.desktop.stage.Takes;
import java.util.Optional;

/** Asks for the command by which the maker runs a programmer of their own. */
final class CommandHand extends LoadHand {
  private boolean over;

  CommandHand(LoadBench bench, ImageOnBench image) {
    super(bench, Optional.of(image));
  }

  @Override
  public boolean over() {
    return over;
  }

  @Override
  public Card card() {
    String text = typed().text().strip();
    Optional<OwnProgrammer> command = OwnProgrammer.of(text);
    Card.Maker card =
        seat.card(say("load.kicker"), say("load.command"))
            .how(say("load.command.how"))
            .field(typed().text(), "", Takes.TEXT)
            .key(Card.ESC, say("mend.leave"), () -> over = true)
            .silent(Card.BACK, () -> {});
    if (text.isEmpty()) {
      return card.notYet(say("load.command.none"));
    }
    if (command.isEmpty()) {
      card.verdict(false, say("load.command.open"));
      return card.notYet(say("load.command.none"));
    }
    if (!command.get().names("file")) {
      card.verdict(false, say("load.command.no-file"));
    }
    return card.go(say("load.command.go"), () -> take(text));
  }

  private void take(String text) {
    open.act(new BuildEvent.UsesProgrammer(text));
    bench.choose(new LoadWay.Command(text));
    over = true;
  }
}
