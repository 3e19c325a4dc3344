package humble.desktop.own;

import humble.core.kit.Part;
import humble.core.own.Follows;
import humble.core.own.Skeleton;
import humble.desktop.draw.Mat;
import humble.desktop.hand.Hand;
import humble.desktop.stage.Card;
import humble.desktop.stage.LineNames;
import humble.desktop.stage.Standing;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Supplier;

/** Asks for one of a few: how a plug is wired, which switch turns on, which rail feeds a chip. */
final class ChoiceHand extends Hand {
  private static final int MOST_CHOICES = 9;

  private final OwnBench bench;
  private final Skeleton.Ask ask;
  private final Runnable more;

  ChoiceHand(OwnBench bench, Skeleton.Ask ask, Runnable more) {
    super(bench.seat());
    this.bench = bench;
    this.ask = ask;
    this.more = more;
    bench.lookAt(ask.ref());
  }

  private record Choice(String text, Supplier<Follows> follows) {}

  private Skeleton skeleton() {
    return new Skeleton(bench.parts(), bench.answered());
  }

  private List<Choice> choices() {
    Skeleton skeleton = skeleton();
    List<Choice> choices = new ArrayList<>();
    switch (ask.what()) {
      case PLUG -> {
        for (String way : List.of("centre-plus", "centre-minus")) {
          choices.add(new Choice(say("own.plug." + way), () -> skeleton.plug(way)));
        }
      }
      case SWITCH -> {
        for (Part part : skeleton.switches()) {
          choices.add(
              new Choice(
                  say("own.switch.part", part.ref(), LineNames.brief(seat.words(), part.line())),
                  () -> skeleton.switchedBy(part.ref())));
        }
      }
      case RAIL -> {
        for (String rail : skeleton.rails()) {
          choices.add(new Choice(rail, () -> skeleton.fedFrom(ask.ref(), rail)));
        }
      }
      case IN, VOLTS, GROUND, MAKES, CHIP ->
          throw new IllegalStateException("nothing is chosen for " + ask.what());
    }
    return choices.subList(0, Math.min(MOST_CHOICES, choices.size()));
  }

  private String key() {
    return "own." + ask.what().name().toLowerCase(java.util.Locale.ROOT);
  }

  @Override
  public Card card() {
    Card.Maker card = seat.card(say("own.power.kicker"), say(key() + ".title", ask.ref()));
    card.how(say(key() + ".how", ask.ref()));
    bench.trouble(card);
    List<Choice> choices = choices();
    for (int i = 0; i < choices.size(); i++) {
      Choice choice = choices.get(i);
      card.choice(
          i + 1,
          Standing.TO_DO,
          say("own.choice", i + 1, choice.text()),
          () -> bench.tell(ask.id(), choice.text(), choice.follows().get()));
    }
    card.row(Standing.TO_DO, say("own.choice", 0, say(key() + ".none")));
    card.silent('0', () -> bench.tell(ask.id(), say(key() + ".none"), Follows.nothing()));
    card.key('+', say("own.later"), () -> bench.putOff(ask.id()));
    card.key('.', say("own.more"), more);
    card.key(Card.BACK, say("key.take-back"), bench::takeBack);
    card.why(say(key() + ".why"));
    return card.notYet(say("own.choice.go"));
  }

  @Override
  public void pick(String spot) {
    if (ask.what() == Skeleton.What.SWITCH && spot.contains(":")) {
      String ref = spot.substring(spot.indexOf(':') + 1).replaceAll("\\..*", "");
      if (skeleton().switches().stream().anyMatch(part -> part.ref().equals(ref))) {
        bench.tell(ask.id(), ref, skeleton().switchedBy(ref));
      }
    }
  }

  @Override
  public Mat mat() {
    Set<String> lit = new HashSet<>();
    if (!ask.ref().isEmpty()) {
      lit.add(ask.ref());
    }
    if (ask.what() == Skeleton.What.SWITCH) {
      skeleton().switches().forEach(part -> lit.add(part.ref()));
    }
    return bench.mat(say("own.mat.pads"), List.of(), List.of(), lit, OwnMat.Answers.PARTS);
  }
}
