package humble.desktop.intake;

import humble.core.intake.Review;
import humble.core.kit.Kit;
import humble.core.kit.Parts;
import humble.core.own.ToPlace;
import humble.core.wake.LightPlan;
import humble.desktop.hand.Seat;
import humble.desktop.own.OwnStage;
import humble.desktop.session.Session;
import humble.desktop.stage.Card;
import humble.desktop.stage.StageId;
import humble.desktop.stage.Takes;
import humble.formats.kit.LightWriter;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Optional;
import java.util.Set;

/** Asks what the kit is called, and keeps it. */
final class NameHand extends ListHand {
  private final Session session;
  private final Runnable back;
  private final Runnable matrix;

  NameHand(
      Seat seat, TypedList list, Review review, Session session, Runnable back, Runnable matrix) {
    super(seat, list, Optional.of(review));
    this.session = session;
    this.back = back;
    this.matrix = matrix;
  }

  @Override
  public Card card() {
    Card.Maker card = seat.card(say("intake.name.kicker"), say("intake.name.title"));
    int lines = review.map(r -> r.draft().kit().lines().size()).orElse(0);
    card.how(say("intake.name.how", lines));
    card.field(typed().isEmpty() ? list.name() : typed().text(), "", Takes.TEXT);
    trouble(card);
    problems(card);
    card.key(Card.BACK, say("intake.back"), back);
    review
        .map(going -> going.draft().kit())
        .filter(MatrixHand::isPossible)
        .ifPresent(kit -> card.key('+', say("intake.matrix.key"), matrix));
    list.lights()
        .ifPresent(lights -> card.how(say("intake.matrix.made", lights.count(), lights.driver())));
    return card.go(say("intake.keep"), this::keep);
  }

  /** Lights that cannot be are told before anything is kept. */
  private static Optional<LightPlan> lights(Kit kit, TypedList list) throws IOException {
    Optional<LightPlan> plan = list.lights().map(each -> LightPlan.of(Parts.of(kit), each));
    if (plan.filter(each -> !each.problems().isEmpty()).isPresent()) {
      throw new IOException(plan.get().problems().getFirst());
    }
    return plan;
  }

  /** Tells whether every part that sits on a board has its place. */
  private static boolean isTold(Kit kit) {
    ToPlace open = ToPlace.of(kit, Set.of());
    return open.asks().isEmpty() && open.byCount().isEmpty();
  }

  private void keep() {
    String text = typed().text();
    String name = text.isBlank() ? list.name() : text.strip();
    try {
      Kit kit = list.kit(name, review);
      Optional<LightPlan> plan = lights(kit, list);
      Path at = session.keep(kit, list.boardFiles());
      LightPlan.Answers answers = list.lights().orElse(null);
      if (plan.isPresent() && answers != null) {
        LightWriter.write(
            at,
            plan.get(),
            answers.driver(),
            answers.rows(),
            answers.pins(),
            MatrixHand.forwardV(kit));
      }
      list.keptAsKit();
      session.layKit(at);
      seat.desk().go(StageId.UNPACK);
      if (session.open().filter(open -> !isTold(open.kit())).isPresent()) {
        seat.desk().show(new OwnStage(session, seat.desk(), StageId.UNPACK));
      }
    } catch (IOException e) {
      list.trouble(String.valueOf(e.getMessage()));
    }
  }
}
