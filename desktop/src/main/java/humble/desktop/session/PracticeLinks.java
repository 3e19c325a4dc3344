package humble.desktop.session;

import humble.bench.PracticeBench;
import humble.bench.SerialLink;
import humble.bench.Transfer;
import humble.core.build.Build;
import humble.core.build.BuildEvent;
import humble.core.firmware.ProgramImage;
import humble.core.kit.Firmware;
import humble.core.kit.Kit;
import humble.formats.image.ImageFile;
import humble.formats.image.ImageRead;
import humble.formats.kit.KitFolder;
import java.io.IOException;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;

/**
 * The lines to the controllers of the practice bench, which keep their memory as real ones do: what
 * the journal says was loaded is in them again. Asked on the thread of the link.
 */
final class PracticeLinks {
  private final PracticeBench practice;
  private final KitFolder folder;
  private final Kit kit;
  private final Set<String> restored = ConcurrentHashMap.newKeySet();

  PracticeLinks(PracticeBench practice, KitFolder folder, Kit kit) {
    this.practice = practice;
    this.folder = folder;
    this.kit = kit;
  }

  SerialLink of(Firmware.Target target, Build build) {
    SerialLink link = practice.link(target);
    if (restored.add(target.id())) {
      build.loaded().values().stream()
          .filter(loaded -> loaded.practice() && loaded.target().equals(target.id()))
          .forEach(loaded -> restore(link, target, loaded));
    }
    return link;
  }

  /** A file that is gone or has changed since leaves the board empty; it then says so itself. */
  private void restore(SerialLink link, Firmware.Target target, BuildEvent.Loaded loaded) {
    kit.firmware().images().stream()
        .filter(image -> image.id().equals(loaded.image()))
        .flatMap(image -> read(image).stream())
        .filter(program -> program.sha256().equals(loaded.sha256()))
        .forEach(program -> new Transfer(link, target).send(program, share -> {}, () -> false));
  }

  private Optional<ProgramImage> read(Firmware.Image image) {
    try {
      return ImageFile.read(
                  image.file(), folder.bytes(image.file()), new ImageFile.Known(image.base(), null))
              instanceof ImageRead.Image read
          ? Optional.of(read.image())
          : Optional.empty();
    } catch (IOException e) {
      return Optional.empty();
    }
  }
}
