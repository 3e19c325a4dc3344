package humble.desktop.keys;

import humble.core.build.BuildEvent;
import humble.desktop.draw.Mat;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.Card;
import humble.desktop.stage.Desk;
import humble.desktop.stage.Stage;
import humble.desktop.stage.Takes;
import humble.desktop.stage.Typed;

/** A remark, written over whatever stage is open. */
final class RemarkStage implements Stage {
  private final Desk desk;
  private final OpenBuild open;
  private final Stage over;
  private final String where;
  private final Runnable leave;
  private final Typed typed = new Typed();

  /**
   * Makes it.
   *
   * @param over the stage it is written over
   * @param where what that stage is called
   * @param leave goes back to it
   */
  RemarkStage(Desk desk, OpenBuild open, Stage over, String where, Runnable leave) {
    this.desk = desk;
    this.open = open;
    this.over = over;
    this.where = where;
    this.leave = leave;
  }

  @Override
  public Card card() {
    return new Card.Maker(desk.words().say("note.kicker"), desk.words().say("note.title"))
        .field(typed.text(), "", Takes.TEXT)
        .key(Card.ESC, desk.words().say("note.leave"), leave)
        .silent(Card.BACK, () -> {})
        .go(desk.words().say("note.go"), this::write);
  }

  private void write() {
    String text = typed.text().strip();
    if (!text.isEmpty()) {
      open.act(new BuildEvent.Noted(where, text));
    }
    leave.run();
  }

  @Override
  public Mat mat() {
    return over.mat();
  }

  @Override
  public Typed typed() {
    return typed;
  }

  @Override
  public void paste(String text) {
    typed.type(typed.text() + text.replaceAll("\\s+", " "));
  }
}
