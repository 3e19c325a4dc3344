package humble.desktop.fit;

import humble.desktop.stage.Card;

/** Turns the board over, or lays another on the bench. */
final class TurnHand extends StepHand {
  TurnHand(Of of) {
    super(of);
  }

  private boolean otherBoard() {
    return !step.board().equals(board.last());
  }

  @Override
  String title() {
    return otherBoard() ? say("fit.take-up", step.board()) : say("fit.turn");
  }

  @Override
  public Card card() {
    return withTools(begun().how(say(otherBoard() ? "fit.take-up.how" : "fit.turn.how")))
        .go(say(otherBoard() ? "fit.taken-up" : "fit.turned"), this::done);
  }
}
