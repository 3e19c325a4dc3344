package humble.desktop.panel;

import humble.core.firmware.NumberBase;
import humble.core.firmware.ToggleSheet;
import humble.core.firmware.ToggleWork;
import humble.core.kit.Panel;
import humble.core.kit.Toggled;
import humble.desktop.hand.Seat;
import humble.desktop.session.OpenBuild;
import humble.formats.InputFile;
import humble.formats.image.ImageFile;
import humble.formats.image.ImageRead;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;

/** What the hands at the panel share: the sheets, and where the panel stands. */
final class PanelBench {
  private static final int MOST_BYTES = 256;

  private final OpenBuild open;
  private final Seat seat;
  private final Panel panel;
  private final PracticePanel practice;
  private final PanelLayout layout;
  private final Map<String, ToggleSheet> sheets = new HashMap<>();
  private final Map<String, String> troubles = new HashMap<>();
  private final Set<String> begun = new HashSet<>();
  private final Set<String> left = new HashSet<>();
  private final Set<String> again = new HashSet<>();
  private OptionalLong at = OptionalLong.empty();

  PanelBench(OpenBuild open, Seat seat, Panel panel) {
    this.open = open;
    this.seat = seat;
    this.panel = panel;
    this.practice = new PracticePanel(open, panel);
    this.layout = PanelLayout.of(open.kit(), panel);
  }

  /** Reads the listings; one that cannot be read is told when its turn comes. */
  void read() {
    for (Toggled program : open.kit().firmware().toggled()) {
      try {
        byte[] bytes = open.folder().bytes(program.file());
        if (program.file().matches("(?i).*\\.(lst|txt|asm)")) {
          listing(program, new String(bytes, StandardCharsets.UTF_8));
        } else {
          image(program, bytes);
        }
      } catch (IOException e) {
        troubles.put(program.id(), program.file() + ": " + InputFile.reason(e));
      }
    }
  }

  private void listing(Toggled program, String text) {
    NumberBase base = NumberBase.named(program.numbers()).orElse(NumberBase.HEX);
    switch (ToggleSheet.listing(text, base)) {
      case ToggleSheet.Read.Whole<ToggleSheet> whole -> sheets.put(program.id(), whole.what());
      case ToggleSheet.Read.Unreadable<ToggleSheet> bad ->
          troubles.put(
              program.id(),
              String.join(
                  " ",
                  bad.lines().entrySet().stream()
                      .map(line -> program.file() + "#" + line.getKey() + ": " + line.getValue())
                      .toList()));
    }
  }

  private void image(Toggled program, byte[] bytes) {
    switch (ImageFile.read(program.file(), bytes, new ImageFile.Known(0L, null))) {
      case ImageRead.Image read when read.image().length() > MOST_BYTES ->
          troubles.put(program.id(), seat.say("panel.wide", program.file()));
      case ImageRead.Image read -> sheets.put(program.id(), ToggleSheet.of(read.image()));
      case ImageRead.Damaged bad ->
          troubles.put(program.id(), seat.say("load.unreadable", program.file()));
    }
  }

  OpenBuild open() {
    return open;
  }

  Seat seat() {
    return seat;
  }

  Panel panel() {
    return panel;
  }

  /** Gives where switches and lights stand. */
  PanelLayout layout() {
    return layout;
  }

  PracticePanel practice() {
    return practice;
  }

  /** Gives the rows of a program; none where its listing cannot be read. */
  ToggleSheet sheet(Toggled program) {
    return sheets.getOrDefault(program.id(), new ToggleSheet(List.of()));
  }

  /** Gives why a listing cannot be toggled in; empty when it can. */
  String trouble(Toggled program) {
    String said = troubles.getOrDefault(program.id(), "");
    return !said.isEmpty()
        ? said
        : sheet(program).rows().isEmpty()
            ? seat.say("panel.empty", program.file())
            : sheet(program).rows().getLast().address() > 0xff
                ? seat.say("panel.wide", program.file())
                : "";
  }

  /** Gives what is done of a program, and what is next. */
  ToggleWork work(Toggled program) {
    var in = open.build().toggled(program.id());
    return new ToggleWork(sheet(program), in.put(), in.read());
  }

  /** Gives what is next of a program at the panel. */
  ToggleWork.Step next(Toggled program) {
    return work(program).next(at, panel);
  }

  /** The panel shows this address now. */
  void at(long address) {
    at = OptionalLong.of(address);
  }

  /** Nobody knows what address the panel shows. */
  void lost() {
    at = OptionalLong.empty();
  }

  boolean isBegun(Toggled program) {
    return begun.contains(program.id());
  }

  void begin(Toggled program) {
    begun.add(program.id());
    lost();
  }

  /** The power was off, or goes: nothing is in the memory, for any program. */
  void off() {
    begun.clear();
    again.clear();
    practice.off();
    lost();
  }

  void leave(Toggled program) {
    left.add(program.id());
  }

  void again(Toggled program, boolean on) {
    if (on) {
      again.add(program.id());
    } else {
      again.remove(program.id());
    }
  }

  boolean isAgain(Toggled program) {
    return again.contains(program.id());
  }

  /** Gives the first program that did not do yet what it should and that may come now. */
  Optional<Toggled> now() {
    return open.kit().firmware().toggled().stream()
        .filter(each -> !isDone(each) && !left.contains(each.id()) && waits(each).isEmpty())
        .findFirst();
  }

  private boolean isDone(Toggled program) {
    return open.build()
        .toggled(program.id())
        .shown()
        .filter(shown -> shown.good() && !isAgain(program))
        .isPresent();
  }

  /** Gives what has to be awake before a program and is not. */
  List<String> waits(Toggled program) {
    return program.after().stream()
        .filter(id -> !open.build().awake().contains(id) && !open.build().gateOpen(id))
        .toList();
  }
}
