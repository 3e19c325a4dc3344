package humble.desktop.own;

import humble.core.kit.Part;
import humble.core.own.Edit;
import humble.core.own.Follows;
import humble.core.own.WayRound;
import humble.desktop.draw.Mat;
import humble.desktop.hand.Hand;
import humble.desktop.stage.Card;
import humble.desktop.stage.LineNames;
import humble.desktop.stage.Standing;
import humble.formats.kit.EditWriter;
import humble.formats.kit.KitTree;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;

/** What can be changed of one part that has a place: a click on it opens it. */
final class PartHand extends Hand {
  private final OwnBench bench;

  /** Opens what the kit says at a place. */
  private final Consumer<List<String>> change;

  private String ref;
  private boolean over;

  PartHand(OwnBench bench, String ref, Consumer<List<String>> change) {
    super(bench.seat());
    this.bench = bench;
    this.ref = ref;
    this.change = change;
    bench.faceUp(ref);
  }

  /** Gives the first part that has a place; empty where none has. */
  static Optional<String> first(OwnBench bench) {
    return placed(bench).stream().findFirst();
  }

  private static List<String> placed(OwnBench bench) {
    return bench.parts().all().stream()
        .filter(part -> part.placed().isPresent())
        .map(Part::ref)
        .toList();
  }

  @Override
  public boolean over() {
    return over || bench.parts().part(ref).filter(part -> part.placed().isPresent()).isEmpty();
  }

  @Override
  public Card card() {
    Part part = bench.parts().get(ref);
    Card.Maker card =
        seat.card(
            say("own.part.kicker"),
            say("own.part.title", ref, LineNames.brief(seat.words(), part.line())));
    bench.trouble(card);
    List<Runnable> acts = new ArrayList<>();
    choice(card, acts, "elsewhere", () -> drop("again:", List.of()));
    if (WayRound.of(bench.parts(), ref).isPresent()) {
      choice(
          card,
          acts,
          "way",
          () -> {
            over =
                bench.tell(
                    "again-way:" + ref,
                    say("own.part.way"),
                    new Follows(List.of(), List.of("turn:" + ref)));
          });
    }
    choice(card, acts, "line", () -> open("lines"));
    choice(card, acts, "place", () -> open("places"));
    choice(card, acts, "none", () -> drop("none:", List.of()));
    card.key('+', say("own.part.next"), this::next);
    card.key(Card.BACK, say("own.keep.back"), () -> over = true);
    card.silent('.', () -> over = true);
    return card.go(say("own.keep.back"), () -> over = true);
  }

  private void choice(Card.Maker card, List<Runnable> acts, String what, Runnable act) {
    acts.add(act);
    card.choice(
        acts.size(), Standing.TO_DO, say("own.choice", acts.size(), say("own.part." + what)), act);
  }

  /** A part that leaves its place takes along what sits in it. */
  private void drop(String question, List<String> guessed) {
    List<Edit> edits = new ArrayList<>();
    edits.add(new Edit.DropPlace(ref));
    bench.parts().chipIn(ref).ifPresent(chip -> edits.add(new Edit.DropPlace(chip)));
    String said = say(question.equals("none:") ? "own.part.none" : "own.part.elsewhere");
    over = bench.tell(question + ref, said, new Follows(edits, guessed));
  }

  private void open(String section) {
    String wanted = section.equals("lines") ? bench.parts().get(ref).line().id() : ref;
    try {
      KitTree.of(bench.open().folder(), EditWriter.writtenOut(bench.open().folder(), bench.kit()))
          .below(List.of(section))
          .stream()
          .filter(item -> item.shown().equals(wanted))
          .findFirst()
          .ifPresent(item -> {
            over = true;
            change.accept(List.of(section, item.step()));
          });
    } catch (IOException e) {
      bench.trouble(String.valueOf(e.getMessage()));
    }
  }

  private void next() {
    List<String> all = placed(bench);
    ref = all.get((all.indexOf(ref) + 1) % all.size());
    bench.faceUp(ref);
  }

  @Override
  public void pick(String spot) {
    refOf(spot).filter(placed(bench)::contains).ifPresent(picked -> ref = picked);
  }

  /** Gives the part that a click on a pad or a body means. */
  static Optional<String> refOf(String spot) {
    if (spot.startsWith("part:")) {
      return Optional.of(spot.substring("part:".length()));
    }
    return spot.startsWith("pad:") && spot.contains(".")
        ? Optional.of(spot.substring("pad:".length(), spot.lastIndexOf('.')))
        : Optional.empty();
  }

  @Override
  public Mat mat() {
    return bench.mat(say("own.part.mat"), List.of(), List.of(), Set.of(ref), OwnMat.Answers.PARTS);
  }
}
