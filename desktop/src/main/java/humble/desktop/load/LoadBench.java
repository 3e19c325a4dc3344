package humble.desktop.load;

import humble.core.circuit.Cancelled;
import humble.core.kit.Firmware;
import humble.core.kit.Setting;
import humble.core.settings.SettingsCheck;
import humble.desktop.beside.BesideTurns;
import humble.desktop.hand.Seat;
import humble.desktop.panel.PanelTurns;
import humble.desktop.session.Errand;
import humble.desktop.session.OpenBuild;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import org.jspecify.annotations.Nullable;

/** What the hands of Load share: the images as they were read, and the ways to the chip. */
final class LoadBench {
  private final OpenBuild open;
  private final Seat seat;
  private final Map<String, ImageOnBench> images = new LinkedHashMap<>();
  private final SettingsFiles settings;
  private final PanelTurns panel;
  private final BesideTurns beside;
  private final LoadWays ways = new LoadWays();
  private List<LoadWay> seen = List.of();
  private boolean looked;
  private boolean read;
  private Errand<?> reading = Errand.over();
  private @Nullable LoadWay chosen;
  private Errand<?> looking = Errand.over();

  LoadBench(OpenBuild open, Seat seat, Path home) {
    this.open = open;
    this.seat = seat;
    this.settings = new SettingsFiles(open, home);
    List<Firmware.Image> all = open.kit().firmware().images();
    this.panel = new PanelTurns(open, seat);
    this.beside = new BesideTurns(open, seat, home);
    read = all.isEmpty() && open.kit().firmware().settings().isEmpty() && panel.isEmpty();
    if (!read) {
      reading =
          open.works()
              .start(
                  calledOff -> read(all, calledOff),
                  found -> {
                    found.forEach(each -> images.put(each.image().id(), each));
                    read = true;
                    seat.desk().refresh();
                  });
    }
  }

  private List<ImageOnBench> read(List<Firmware.Image> all, BooleanSupplier calledOff) {
    settings.read();
    panel.read();
    List<ImageOnBench> found = new ArrayList<>();
    for (Firmware.Image image : all) {
      if (calledOff.getAsBoolean()) {
        throw new Cancelled();
      }
      found.add(ImageOnBench.of(open, image, seat.words()));
    }
    return found;
  }

  /** Gives what stands beside the programs. */
  BesideTurns beside() {
    return beside;
  }

  /** Gives what is toggled in at a front panel. */
  PanelTurns panel() {
    return panel;
  }

  /** Gives the files that settings stand in. */
  SettingsFiles settings() {
    return settings;
  }

  /** Gives the first setting that the maker has not been asked for, unless every program is in. */
  Optional<Setting> unset() {
    boolean over = next().isEmpty() && !images.isEmpty();
    return over ? Optional.empty() : firstUnset();
  }

  private Optional<Setting> firstUnset() {
    return open.kit().firmware().settings().stream()
        .filter(each -> !open.build().settings().containsKey(each.id()))
        .findFirst();
  }

  /** Gives the settings that have to be made and are not right in their file. */
  List<Setting> left() {
    return open.kit().firmware().settings().stream()
        .filter(Setting::required)
        .filter(each ->
            settings
                .text(each.file())
                .map(text -> SettingsCheck.of(each, text))
                .filter(judged -> judged.problem().isEmpty() && !judged.on().isEmpty())
                .isEmpty())
        .toList();
  }

  /** Tells whether the images have been read; a fault on the way stands on the card. */
  boolean isRead() {
    return read;
  }

  /** Gives one sentence where reading them failed. */
  Optional<String> unread() {
    return reading.failed();
  }

  OpenBuild open() {
    return open;
  }

  Seat seat() {
    return seat;
  }

  /** Gives an image by its id. */
  Optional<ImageOnBench> image(String id) {
    return Optional.ofNullable(images.get(id));
  }

  /** Gives the first image that is not loaded yet. */
  Optional<ImageOnBench> next() {
    return images.values().stream()
        .filter(image -> !open.build().loaded().containsKey(image.image().id()))
        .findFirst();
  }

  /**
   * Gives the first image that is loaded, and of which nobody knows whether it starts by itself.
   */
  Optional<ImageOnBench> toStart() {
    return images.values().stream()
        .filter(image -> open.build().loaded().containsKey(image.image().id()))
        .filter(image -> !open.build().started().containsKey(image.image().id()))
        .findFirst();
  }

  /** Gives all images. */
  List<ImageOnBench> all() {
    return List.copyOf(images.values());
  }

  /**
   * Gives the way that is taken: what was chosen, the practice bench, or the maker's own loader.
   */
  LoadWay way() {
    LoadWay own = chosen;
    if (own != null && !(own instanceof LoadWay.Practice && !open.practiceOn())) {
      return own;
    }
    return open.practiceOn() ? new LoadWay.Practice() : new LoadWay.Own();
  }

  void choose(LoadWay way) {
    chosen = way;
  }

  /** Gives every way that may be chosen now. */
  List<LoadWay> choices() {
    List<LoadWay> all = new ArrayList<>(seen);
    if (open.practiceOn()) {
      all.add(new LoadWay.Practice());
    }
    if (!open.build().programmer().isEmpty()) {
      all.add(new LoadWay.Command(open.build().programmer()));
    }
    all.add(new LoadWay.Own());
    return all;
  }

  /** Looks what is plugged in, a moment after it was looked at last, unless somebody does. */
  void look(Firmware.Target target) {
    if (!looking.isRunning()) {
      looking =
          open.works()
              .talk(
                  "what is plugged in",
                  calledOff -> ways.look(target, calledOff),
                  found -> {
                    looked = true;
                    seen = found;
                    seat.desk().refresh();
                  });
    }
  }

  boolean hasLooked() {
    return looked;
  }

  void leftWays() {
    looking.cancel();
  }

  void closed() {
    leftWays();
    panel.left();
    reading.cancel();
  }

  /** Gives the picture for an image, so many of its bytes sent. */
  StreetMat street(Optional<ImageOnBench> image, double sent) {
    return StreetMat.of(this, image, sent);
  }
}
