package humble.desktop.load;

import humble.bench.line.Loading;
import humble.core.build.Build;
import humble.core.build.BuildEvent;
import humble.core.firmware.ProgramImage;
import humble.core.kit.Caution;
import humble.core.kit.Firmware;
import humble.core.kit.Loose;
import humble.desktop.session.Errand;
import humble.desktop.session.Progress;
import humble.desktop.stage.Card;
import humble.desktop.stage.StageId;
import humble.desktop.stage.Standing;
import java.util.Optional;

/** Shows what goes in and whether it fits, and sends it. */
final class SendHand extends LoadHand {
  private final ImageOnBench image;
  private final Runnable otherWay;
  private volatile double progress;
  private volatile boolean stopped;
  private Errand<?> sending = Errand.over();
  private String answer = "";

  SendHand(LoadBench bench, ImageOnBench image, Runnable otherWay) {
    super(bench, Optional.of(image));
    this.image = image;
    this.otherWay = otherWay;
  }

  @Override
  double sent() {
    return sending.isRunning() ? progress : 0;
  }

  @Override
  public Card card() {
    Card.Maker card = seat.card(say("load.kicker"), say("load.title", image.image().title()));
    ProgramImage program = image.whole().orElse(null);
    Firmware.Target target = image.target();
    if (program == null || target == null) {
      card.verdict(false, say(image.program() == null ? "load.damaged" : "load.other"));
      image.damage().stream().limit(5).forEach(line -> card.row(Standing.TO_DO, line));
      return card.notYet(say("load.cannot"));
    }
    open.kit().cautions().stream()
        .filter(caution -> caution.at().equals(image.image().id()))
        .forEach(caution -> card.caution(caution.level() != Caution.Level.CARE, caution.text()));
    card.how(say("load.how", image.image().file(), program.length(), target.ref()));
    if (!open.onBoard().contains(target.ref())) {
      switch (image.image().moment()) {
        case BEFORE_FIT -> card.how(say("load.before-fit", target.ref()));
        case IN_SOCKET -> card.how(say("load.in-socket", target.ref()));
        case AWAKE -> {}
      }
    }
    boolean fits = image.fits();
    card.row(fits ? Standing.DONE : Standing.TO_DO, say(fits ? "load.fits" : "load.fits-not"));
    image
        .problems()
        .forEach(
            p -> card.row(p.kind().isStop() ? Standing.NOW : Standing.TO_DO, seat.say(p.phrase())));
    image.said().forEach(line -> card.row(Standing.DONE, line));
    image.image().with().forEach(each -> card.row(Standing.TO_DO, say("load.with", each)));
    bench
        .settings()
        .against()
        .forEach(each -> card.row(Standing.TO_DO, say("load.setting.against-row", each.id())));
    bench.left().forEach(each -> card.row(Standing.TO_DO, say("load.setting.unset", each.id())));
    if (!image.proves()) {
      card.why(say("load.proves-nothing"));
    }
    open.kit().loose().stream()
        .filter(loose -> loose.usedFor().contains("load"))
        .forEach(loose -> atHand(card, loose));
    if (!answer.isEmpty()) {
      card.verdict(false, answer);
    }
    if (!fits) {
      return card.notYet(say("load.cannot"));
    }
    if (!open.onBoard().contains(target.ref()) && image.image().moment() == Firmware.Moment.AWAKE) {
      card.how(say("load.first"));
      return card.go(
          say("power.back"),
          () -> seat.desk().go(Progress.nextGate(open).isPresent() ? StageId.POWER : StageId.FIT));
    }
    if (sending.isRunning()) {
      if (stopped) {
        return card.notYet(say("load.stopping"));
      }
      card.key(Card.ESC, say("load.stop"), () -> stopped = true);
      return card.notYet(say("load.sending"));
    }
    return offered(card, program, target);
  }

  private Card offered(Card.Maker card, ProgramImage program, Firmware.Target target) {
    LoadWay way = bench.way();
    card.why(
        switch (way) {
          case LoadWay.Practice w -> say("load.simulated");
          case LoadWay.Own w -> say("load.own");
          case LoadWay.Command w -> say("load.over-command", w.template());
          case LoadWay.Port w -> say("load.over", named(w), w.protocol());
          case LoadWay.Drive w -> say("load.over-drive", named(w));
        });
    card.key('+', say("load.other-way"), otherWay);
    boolean own = way instanceof LoadWay.Own;
    return card.go(
        say(own ? "load.own.go" : "load.go"),
        () -> {
          if (own) {
            loaded(program, target, way, program.length(), Optional.empty());
          } else {
            send(program, target, way);
          }
        });
  }

  private void atHand(Card.Maker card, Loose loose) {
    Integer counted = open.build().counted().get(loose.id());
    boolean here = counted != null && counted >= loose.needed();
    card.row(
        here ? Standing.DONE : Standing.TO_DO, say(here ? "load.have" : "load.lack", loose.name()));
  }

  /** On the thread of the link: one that hangs stops nothing but what waits for the same link. */
  private void send(ProgramImage program, Firmware.Target target, LoadWay way) {
    progress = 0;
    answer = "";
    stopped = false;
    Build asOf = open.build();
    sending =
        own(
            open.works()
                .talk(
                    way.thread(target),
                    calledOff ->
                        way.send(
                            program,
                            image.image().file(),
                            () -> open.folder().bytes(image.image().file()),
                            target,
                            () -> open.link(target, asOf),
                            this::show,
                            () -> stopped || calledOff.getAsBoolean()),
                    outcome -> ended(program, target, way, outcome)));
  }

  private void show(double share) {
    progress = share;
    seat.desk().refresh();
  }

  private void ended(
      ProgramImage program, Firmware.Target target, LoadWay way, Loading.Outcome outcome) {
    switch (outcome) {
      case Loading.Outcome.Sent sent -> {
        if (sent.proof() == Loading.Proof.DIFFERS) {
          answer = say("load.differs");
        } else {
          loaded(program, target, way, sent.bytes(), Optional.of(sent.proof()));
        }
      }
      case Loading.Outcome.Cancelled off ->
          answer = say("load.stopped") + " " + seat.say(off.left().phrase());
      case Loading.Outcome.Failed failed ->
          answer = seat.say(failed.why()) + " " + seat.say(failed.left().phrase());
    }
  }

  private void loaded(
      ProgramImage program,
      Firmware.Target target,
      LoadWay way,
      long bytes,
      Optional<Loading.Proof> proof) {
    open.act(
        new BuildEvent.Loaded(
            image.image().id(),
            target.id(),
            bytes,
            program.sha256(),
            proof.filter(Loading.Proof.READ_BACK::equals).isPresent(),
            way instanceof LoadWay.Practice,
            image.image().file(),
            program.crc32(),
            way.text(),
            proof.map(Loading.Proof::text).orElse("")));
  }
}
