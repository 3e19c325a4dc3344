package humble.desktop.keys;

import humble.core.words.Words;
import humble.desktop.draw.Mat;
import humble.desktop.draw.Pen;
import humble.desktop.draw.Token;
import humble.desktop.stage.Card;
import humble.desktop.stage.Desk;
import humble.desktop.stage.Stage;
import humble.desktop.stage.StageId;
import humble.desktop.stage.Typed;

/** Stands in the place of a stage that cannot be made or shown; the others can still be gone to. */
final class TroubleStage implements Stage {
  private final Words words;
  private final Desk desk;
  private final String text;
  private final Typed typed = new Typed();

  TroubleStage(Desk desk, String text) {
    this.words = desk.words();
    this.desk = desk;
    this.text = text;
  }

  @Override
  public Card card() {
    return new Card.Maker(words.say("trouble.kicker"), words.say("trouble.title"))
        .how(words.say("trouble.how"))
        .verdict(false, text)
        .go(words.say("trouble.go"), () -> desk.go(StageId.SHELF));
  }

  @Override
  public Mat mat() {
    return new Empty(words.say("trouble.mat"));
  }

  @Override
  public Typed typed() {
    return typed;
  }

  /** A mat with one sentence on it. */
  record Empty(String text) implements Mat {
    @Override
    public void paint(Pen pen, double w, double h) {
      pen.text(text, w / 2, h / 2, 18, Token.INK_SOFT, Pen.Hang.MIDDLE);
    }

    @Override
    public String spoken() {
      return text;
    }
  }
}
