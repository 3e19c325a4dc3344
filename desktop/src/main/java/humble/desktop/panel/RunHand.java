package humble.desktop.panel;

import humble.bench.panel.FrontPanel;
import humble.core.build.BuildEvent;
import humble.core.firmware.NumberBase;
import humble.core.kit.Panel;
import humble.core.kit.Toggled;
import humble.desktop.stage.Card;
import java.util.ArrayList;
import java.util.List;

/** The program runs, and its lights are read. */
final class RunHand extends PanelHand {
  private final List<Act> acts = new ArrayList<>();
  private int lights = PanelMat.NONE;
  private int done;

  /** One thing to do before the lights are read. */
  private sealed interface Act {
    /** A key is pressed. */
    record Press(Panel.Key key) implements Act {}

    /** The switches are set. */
    record Set(int value) implements Act {}
  }

  RunHand(PanelBench bench, Toggled program) {
    super(bench, program);
    List<Integer> switches = program.switches();
    int first = (int) bench.sheet(program).rows().getFirst().address();
    if (first == 0 && bench.panel().keys().containsKey(Panel.Key.RESET)) {
      acts.add(new Act.Press(Panel.Key.RESET));
    } else {
      acts.add(new Act.Set(first));
      acts.add(new Act.Press(Panel.Key.EXAMINE));
    }
    switches.stream().limit(1).forEach(value -> acts.add(new Act.Set(value)));
    acts.add(new Act.Press(Panel.Key.RUN));
    switches.stream().skip(1).forEach(value -> acts.add(new Act.Set(value)));
  }

  @Override
  protected Card now() {
    Card.Maker card = begun(say("panel.run", program.title()));
    if (!program.run().isEmpty()) {
      card.how(program.run());
    }
    program.normal().forEach(each -> card.why(say("panel.normal", each)));
    beside(card);
    if (simulated() && bench.practice().isBusy()) {
      return card.notYet(say("panel.asking"));
    }
    return done < acts.size() ? act(card, acts.get(done)) : read(card);
  }

  private Card act(Card.Maker card, Act act) {
    return switch (act) {
      case Act.Press press -> {
        card.how(say("panel.run.press", named(press.key())));
        yield card.go(
            say(
                simulated() ? "panel.press" : "panel.pressed",
                say("panel.key." + press.key().text())),
            () -> pressed(press.key()));
      }
      case Act.Set set -> {
        card.how(say("panel.run.set"));
        card.how(bases(set.value()));
        yield card.go(say(simulated() ? "panel.set" : "panel.set.done"), () -> set(set.value()));
      }
    };
  }

  private void pressed(Panel.Key key) {
    if (simulated()) {
      press(key, shown -> done++);
    } else {
      done++;
    }
  }

  @Override
  protected void set(int value) {
    boolean asked = done < acts.size() && acts.get(done).equals(new Act.Set(value));
    if (simulated()) {
      super.set(value);
    }
    done += asked ? 1 : 0;
  }

  private Card read(Card.Maker card) {
    if (simulated()) {
      return take(card, lights().map(FrontPanel.Lights::data).orElse(0));
    }
    card.how(say("panel.run.mark"));
    for (int place = 1; place <= Panel.BITS; place++) {
      int bit = layout.lightAt(place);
      card.silent((char) ('0' + place), () -> lights = Math.max(0, lights) ^ 1 << bit);
    }
    card.key('0', say("panel.run.none"), () -> lights = 0);
    return lights == PanelMat.NONE ? card.notYet(say("panel.run.which")) : take(card, lights);
  }

  private Card take(Card.Maker card, int shown) {
    Toggled.Shows meaning = program.meaning(shown);
    boolean good = meaning != null && meaning.good();
    if (meaning != null) {
      card.verdict(good, meaning.say());
    }
    return card.go(say("panel.run.shows", NumberBase.HEX.of(shown)), () -> shown(shown, good));
  }

  private void shown(int shown, boolean good) {
    bench.again(program, false);
    bench.lost();
    open.act(new BuildEvent.ProgramShown(program.id(), shown, good, simulated()));
  }

  @Override
  protected PanelMat.Look look() {
    if (done >= acts.size()) {
      return new PanelMat.Look(
          PanelMat.NONE, false, null, simulated() ? PanelMat.NONE : lights, PanelMat.NONE);
    }
    return switch (acts.get(done)) {
      case Act.Press press ->
          new PanelMat.Look(PanelMat.NONE, false, press.key(), PanelMat.NONE, PanelMat.NONE);
      case Act.Set set -> new PanelMat.Look(set.value(), true, null, PanelMat.NONE, PanelMat.NONE);
    };
  }
}
