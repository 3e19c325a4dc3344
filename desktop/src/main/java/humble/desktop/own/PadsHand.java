package humble.desktop.own;

import humble.core.kit.Model;
import humble.core.kit.PackagePin;
import humble.core.kit.Part;
import humble.core.kit.PartKind;
import humble.core.kit.PinRef;
import humble.core.kit.PointMm;
import humble.core.own.Follows;
import humble.core.own.Skeleton;
import humble.core.units.Engineering;
import humble.core.units.Quantity;
import humble.core.units.QuantityText;
import humble.desktop.draw.Mat;
import humble.desktop.hand.Hand;
import humble.desktop.stage.Card;
import humble.desktop.stage.LineNames;
import humble.desktop.stage.Standing;
import humble.desktop.stage.Takes;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * Asks for two pads: plus and minus of what feeds, in and out of a regulator, the supply pins of a
 * chip. A pad is clicked, or the one that is lit is taken.
 */
final class PadsHand extends Hand {
  private static final int PADS = 2;

  private final OwnBench bench;
  private final Skeleton.Ask ask;
  private final Runnable more;
  private final List<PinRef> taken = new ArrayList<>();
  private int lit;

  PadsHand(OwnBench bench, Skeleton.Ask ask, Runnable more) {
    super(bench.seat());
    this.bench = bench;
    this.ask = ask;
    this.more = more;
    bench.lookAt(ask.ref());
  }

  private Skeleton skeleton() {
    return new Skeleton(bench.parts(), bench.answered());
  }

  private String what() {
    return ask.what().name().toLowerCase(java.util.Locale.ROOT);
  }

  private String name() {
    return bench
        .parts()
        .part(ask.ref())
        .map(part -> LineNames.brief(seat.words(), part.line()))
        .orElse("");
  }

  /** The pads that may be meant, the likeliest first. */
  private List<PinRef> candidates() {
    List<PinRef> pins = new ArrayList<>();
    if (ask.what() == Skeleton.What.IN) {
      for (Part part : bench.parts().all()) {
        PartKind kind = part.line().kind();
        boolean feeds =
            kind == PartKind.CONNECTOR
                || kind == PartKind.BATTERY_HOLDER
                || kind == PartKind.HEADER;
        if (feeds && part.placed().isPresent()) {
          part.pack().pins().forEach(pin -> pins.add(new PinRef(part.ref(), pin.number())));
        }
      }
      if (pins.isEmpty()) {
        // Wires soldered straight to a pad: it may be any.
        bench.parts().all().stream()
            .filter(part -> part.placed().isPresent())
            .forEach(part ->
                part.pack().pins().forEach(pin -> pins.add(new PinRef(part.ref(), pin.number()))));
      }
    } else {
      Part part = bench.parts().get(ask.ref());
      List<PackagePin> all = part.pack().pins();
      if (!ask.known().isEmpty() && ask.known().size() > taken.size()) {
        pins.add(new PinRef(ask.ref(), ask.known().get(taken.size())));
      } else if (ask.what() == Skeleton.What.CHIP && part.pack().isDualInLine()) {
        // The supply of a dual in-line chip usually sits at the last pin of each row.
        pins.add(
            new PinRef(ask.ref(), String.valueOf(taken.isEmpty() ? all.size() : all.size() / 2)));
      }
      all.stream()
          .map(pin -> new PinRef(ask.ref(), pin.number()))
          .filter(pin -> !pins.contains(pin))
          .forEach(pins::add);
    }
    pins.removeAll(taken);
    return pins;
  }

  private Optional<PinRef> candidate() {
    List<PinRef> all = candidates();
    return all.isEmpty() ? Optional.empty() : Optional.of(all.get(lit % all.size()));
  }

  private boolean isOnlyWaiting() {
    return taken.size() >= PADS;
  }

  @Override
  public Card card() {
    String key = "own." + what();
    if (isOnlyWaiting()) {
      return volts(key);
    }
    String step = taken.isEmpty() ? ".first" : ".second";
    Card.Maker card = seat.card(say("own.power.kicker"), say(key + step, ask.ref(), name()));
    card.how(say(key + ".how", ask.ref(), name()));
    bench.trouble(card);
    taken.forEach(pin -> card.row(Standing.DONE, say(key + ".taken", pin.toString())));
    Optional<PinRef> next = candidate();
    next.ifPresent(pin -> card.row(Standing.NOW, say("own.pad.lit", pin.toString())));
    card.key('+', say("own.pad.next"), () -> lit++);
    card.silent('0', this::none);
    card.click("0", say(key + ".none"), this::none);
    card.key('.', say("own.more"), more);
    card.key(Card.BACK, say("key.take-back"), this::back);
    card.why(say(key + ".why"));
    return next.isPresent()
        ? card.go(say("own.pad.take", next.get().toString()), () -> take(next.get()))
        : card.notYet(say("own.pad.click"));
  }

  /** What a regulator makes is asked where its value does not say it. */
  private Card volts(String key) {
    Card.Maker card = seat.card(say("own.power.kicker"), say(key + ".volts", ask.ref(), name()));
    card.field(typed().text(), "V", Takes.DIGITS);
    card.key(Card.BACK, say("key.take-back"), this::back);
    Optional<Double> read = VoltsHand.volts(typed().text());
    return read.isPresent()
        ? card.go(
            say("own.volts.go", Engineering.nominal(read.get(), "V")), () -> makes(read.get()))
        : card.notYet(say("own.volts.none"));
  }

  private void back() {
    if (taken.isEmpty()) {
      bench.takeBack();
    } else {
      taken.removeLast();
      lit = 0;
    }
  }

  private void none() {
    if (ask.what() == Skeleton.What.IN) {
      bench.putOff(ask.id());
      bench.putOff(Skeleton.VOLTS);
    } else {
      bench.tell(ask.id(), say("own." + what() + ".none"), Follows.nothing());
    }
  }

  @Override
  public void pick(String spot) {
    if (spot.startsWith("pad:")) {
      PinRef.parse(spot.substring("pad:".length()))
          .filter(pin -> ask.ref().isEmpty() || pin.ref().equals(ask.ref()) || isUnder(pin))
          .ifPresentOrElse(
              pin -> take(ask.ref().isEmpty() ? pin : new PinRef(ask.ref(), pin.pin())),
              () -> bench.trouble(say("own.pad.other", ask.ref())));
    }
  }

  /** The pads of a chip in a socket are those of the socket. */
  private boolean isUnder(PinRef pin) {
    return bench.parts().socketOf(ask.ref()).filter(pin.ref()::equals).isPresent();
  }

  private void take(PinRef pin) {
    bench.trouble("");
    if (taken.contains(pin) || isOnlyWaiting()) {
      return;
    }
    taken.add(pin);
    lit = 0;
    if (ask.what() == Skeleton.What.IN) {
      skeleton().otherPin(pin).filter(other -> taken.size() < PADS).ifPresent(taken::add);
    }
    if (taken.size() == PADS) {
      done();
    }
  }

  private void done() {
    PinRef a = taken.get(0);
    PinRef b = taken.get(1);
    switch (ask.what()) {
      case IN -> told(skeleton().comesIn(a, b));
      case CHIP -> told(skeleton().takesAt(ask.ref(), a.pin(), b.pin()));
      case MAKES -> knownVolts().ifPresent(this::makes);
      case VOLTS, PLUG, SWITCH, GROUND, RAIL ->
          throw new IllegalStateException("no pads are asked for " + ask.what());
    }
  }

  private Optional<Double> knownVolts() {
    Part part = bench.parts().get(ask.ref());
    if (part.model() instanceof Model.Regulator r) {
      return Optional.of(r.voutV());
    }
    return Quantity.parse(part.line().value()) instanceof QuantityText.Read read
            && read.value() > 0
            && part.line().value().toUpperCase(java.util.Locale.ROOT).contains("V")
        ? Optional.of(read.value())
        : Optional.empty();
  }

  private void makes(double volts) {
    typed().clear();
    told(skeleton().makes(ask.ref(), taken.get(0).pin(), taken.get(1).pin(), volts));
  }

  private void told(Follows follows) {
    String said = taken.get(0) + " " + taken.get(1);
    if (!bench.tell(ask.id(), said, follows)) {
      taken.clear();
    }
  }

  @Override
  public Mat mat() {
    List<OwnMat.Tag> tags = new ArrayList<>();
    List<PointMm> rings = new ArrayList<>();
    for (int i = 0; i < taken.size(); i++) {
      String text = say("own." + what() + (i == 0 ? ".tag.first" : ".tag.second"));
      bench.parts().padAt(taken.get(i)).ifPresent(at -> tags.add(new OwnMat.Tag(at, text)));
    }
    if (!isOnlyWaiting()) {
      candidate().flatMap(bench.parts()::padAt).ifPresent(rings::add);
    }
    Set<String> lit = ask.ref().isEmpty() ? Set.of() : Set.of(ask.ref());
    return bench.mat(say("own.mat.pads"), rings, tags, lit, OwnMat.Answers.PADS);
  }
}
