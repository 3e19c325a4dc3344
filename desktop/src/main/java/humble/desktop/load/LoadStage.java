package humble.desktop.load;

import humble.bench.Transfer;
import humble.core.build.Build;
import humble.core.build.BuildEvent;
import humble.core.firmware.ImageCheck;
import humble.core.firmware.ImageProblem;
import humble.core.firmware.ProgramImage;
import humble.core.kit.Firmware;
import humble.core.kit.Loose;
import humble.core.words.Words;
import humble.desktop.draw.Mat;
import humble.desktop.hand.Seat;
import humble.desktop.hand.StageTask;
import humble.desktop.session.Errand;
import humble.desktop.session.OpenBuild;
import humble.desktop.session.Progress;
import humble.desktop.stage.Card;
import humble.desktop.stage.Desk;
import humble.desktop.stage.Stage;
import humble.desktop.stage.StageId;
import humble.desktop.stage.Standing;
import humble.desktop.stage.Typed;
import humble.formats.image.ImageFile;
import humble.formats.image.ImageRead;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** Reads, checks, sends and verifies the programs of the kit. */
public final class LoadStage implements Stage {
  private final OpenBuild open;
  private final Desk desk;
  private final Words words;
  private final Typed typed = new Typed();
  private volatile double progress;
  private @Nullable Errand<Transfer.Outcome> sending;
  private String answer = "";
  private Firmware.@Nullable Image looked;
  private @Nullable ProgramImage program;
  private List<String> damage = List.of();
  private List<ImageProblem> problems = List.of();

  /** Makes the stage. */
  public LoadStage(OpenBuild open, Desk desk) {
    this.open = open;
    this.desk = desk;
    this.words = desk.words();
    look();
  }

  private Optional<Firmware.Image> current() {
    return open.kit().firmware().images().stream()
        .filter(image -> !open.build().loaded().containsKey(image.id()))
        .findFirst();
  }

  private Optional<Firmware.Target> target() {
    return Optional.ofNullable(looked)
        .flatMap(image -> open.kit().firmware().target(image.target()));
  }

  /** Reads the image and holds it against its target. */
  private void look() {
    List<Firmware.Image> images = open.kit().firmware().images();
    looked = current().orElse(images.isEmpty() ? null : images.getLast());
    Firmware.Image image = looked;
    if (image == null) {
      return;
    }
    try {
      switch (ImageFile.read(
          image.file(),
          open.folder().bytes(image.file()),
          new ImageFile.Known(
              image.base(), target().map(Firmware.Target::uf2Family).orElse(null)))) {
        case ImageRead.Image read -> {
          program = read.image();
          problems =
              target()
                  .map(target -> ImageCheck.of(read.image(), read.families(), target, open.parts()))
                  .orElse(List.of());
          if (!image.sha256().isEmpty() && !image.sha256().equals(read.image().sha256())) {
            damage = List.of(words.say("load.hash", image.file()));
          }
        }
        case ImageRead.Damaged damaged ->
            damage = damaged.findings().stream().map(Object::toString).toList();
      }
    } catch (IOException e) {
      damage = List.of(words.say("load.unreadable", image.file()));
    }
  }

  private boolean controllerIn() {
    return target().map(target -> open.build().fittedRefs().contains(target.ref())).orElse(false);
  }

  @Override
  public Card card() {
    Optional<StageTask> task = StageTask.next(new Seat(desk, typed), open, StageId.LOAD);
    return task.isPresent() ? task.get().card() : images();
  }

  private Card images() {
    Firmware.Image image = current().orElse(null);
    if (image == null) {
      boolean any = !open.kit().firmware().images().isEmpty();
      Card.Maker card =
          new Card.Maker(words.say("load.kicker"), words.say(any ? "load.done" : "load.nothing"));
      open.build()
          .loaded()
          .values()
          .forEach(loaded ->
              card.row(
                  Standing.DONE,
                  words.say(
                      loaded.verified() ? "load.row" : "load.row-own",
                      loaded.image(),
                      loaded.bytes())));
      takeBack(card);
      return card.go(words.say("load.wake"), () -> desk.go(StageId.WAKE));
    }
    Card.Maker card =
        new Card.Maker(words.say("load.kicker"), words.say("load.title", image.title()));
    ProgramImage read = program;
    if (!damage.isEmpty() || read == null) {
      card.verdict(false, words.say(read == null ? "load.damaged" : "load.other"));
      damage.stream().limit(5).forEach(line -> card.row(Standing.TO_DO, line));
      return card.notYet(words.say("load.cannot"));
    }
    card.how(words.say("load.how", image.file(), read.length(), image.target()));
    card.row(
        problems.isEmpty() ? Standing.DONE : Standing.TO_DO,
        words.say(problems.isEmpty() ? "load.fits" : "load.fits-not"));
    problems.forEach(problem -> card.row(Standing.TO_DO, desk.coreWords().say(problem.phrase())));
    open.kit().loose().stream()
        .filter(loose -> loose.usedFor().contains("load"))
        .forEach(loose -> missing(card, loose));
    if (!answer.isEmpty()) {
      card.verdict(false, answer);
    }
    Errand<Transfer.Outcome> last = sending;
    if (last != null) {
      last.failed().ifPresent(sentence -> card.verdict(false, sentence));
    }
    takeBack(card);
    if (!problems.isEmpty()) {
      return card.notYet(words.say("load.cannot"));
    }
    if (!controllerIn()) {
      card.how(words.say("load.first"));
      return card.go(
          words.say("power.back"),
          () -> desk.go(Progress.nextGate(open).isPresent() ? StageId.POWER : StageId.FIT));
    }
    if (isSending()) {
      card.key(Card.ESC, words.say("load.stop"), this::stop);
      return card.notYet(words.say("load.sending", Math.round(progress * 100)));
    }
    card.why(words.say(open.practiceOn() ? "load.simulated" : "load.own"));
    return card.go(
        words.say(open.practiceOn() ? "load.go" : "load.own.go"), () -> load(image, read));
  }

  private void missing(Card.Maker card, Loose loose) {
    Integer counted = open.build().counted().get(loose.id());
    boolean here = counted != null && counted >= loose.needed();
    card.row(
        here ? Standing.DONE : Standing.TO_DO,
        words.say(here ? "load.have" : "load.lack", loose.name()));
  }

  private void takeBack(Card.Maker card) {
    card.key(Card.BACK, words.say("key.take-back"), desk::back);
  }

  private void load(Firmware.Image image, ProgramImage read) {
    target()
        .ifPresent(target -> {
          if (open.practiceOn()) {
            send(image, read, target);
          } else {
            open.act(
                new BuildEvent.Loaded(
                    image.id(), target.id(), read.length(), read.sha256(), false, false));
          }
        });
  }

  private boolean isSending() {
    Errand<Transfer.Outcome> now = sending;
    return now != null && now.isRunning();
  }

  /** On the thread of the link: one that hangs stops nothing but what waits for the same link. */
  private void send(Firmware.Image image, ProgramImage read, Firmware.Target target) {
    progress = 0;
    answer = "";
    Build asOf = open.build();
    sending =
        open.works()
            .talk(
                target.id(),
                calledOff ->
                    new Transfer(open.link(target, asOf), target)
                        .send(read, this::show, calledOff::getAsBoolean),
                outcome -> ended(image, read, target, outcome));
  }

  private void show(double share) {
    progress = share;
    desk.refresh();
  }

  private void ended(
      Firmware.Image image, ProgramImage read, Firmware.Target target, Transfer.Outcome outcome) {
    switch (outcome) {
      case Transfer.Outcome.Sent sent -> {
        if (sent.verified()) {
          open.act(
              new BuildEvent.Loaded(
                  image.id(), target.id(), sent.bytes(), read.sha256(), true, true));
        } else {
          answer = words.say("load.differs");
        }
      }
      case Transfer.Outcome.Cancelled stopped -> answer = words.say("load.stopped");
      case Transfer.Outcome.Failed failed -> answer = desk.coreWords().say(failed.why());
    }
  }

  private void stop() {
    left();
    answer = words.say("load.stopped");
  }

  /** What is being sent is sent for whoever stands here: leaving calls it off. */
  @Override
  public void left() {
    Errand<Transfer.Outcome> now = sending;
    if (now != null) {
      now.cancel();
    }
  }

  @Override
  public Typed typed() {
    return typed;
  }

  @Override
  public Mat mat() {
    List<StreetMat.House> houses = new ArrayList<>();
    ProgramImage read = program;
    if (read != null) {
      read.segments()
          .forEach(segment -> houses.add(new StreetMat.House(segment.from(), segment.to())));
    }
    boolean loaded = looked != null && open.build().loaded().containsKey(looked.id());
    return new StreetMat(
        words.say("load.mat"),
        target(),
        houses,
        looked == null ? "" : looked.title(),
        loaded ? 1 : isSending() ? progress : 0,
        words);
  }
}
