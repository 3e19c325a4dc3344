package humble.desktop.load;

import humble.core.firmware.ConfigCheck;
import humble.core.firmware.ImageCheck;
import humble.core.firmware.ImageProblem;
import humble.core.firmware.ProgramImage;
import humble.core.kit.Firmware;
import humble.core.words.Words;
import humble.desktop.session.OpenBuild;
import humble.formats.image.ImageFile;
import humble.formats.image.ImageRead;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * An image of the kit as it was read: its bytes, or what is wrong with its file.
 *
 * @param image what the kit says of it
 * @param target the memory it is for; null where the kit has none of that name
 * @param program the bytes; null where the file is damaged
 * @param damage what is wrong with the file
 * @param problems what stands against loading it
 * @param said what it sets the chip up to do, in words
 * @param proves whether the kit says a hash, so that the file proves itself
 */
record ImageOnBench(
    Firmware.Image image,
    Firmware.@Nullable Target target,
    @Nullable ProgramImage program,
    List<String> damage,
    List<ImageProblem> problems,
    List<String> said,
    boolean proves) {
  ImageOnBench {
    damage = List.copyOf(damage);
    problems = List.copyOf(problems);
    said = List.copyOf(said);
  }

  static ImageOnBench of(OpenBuild open, Firmware.Image image, Words words) {
    Firmware.Target target = open.kit().firmware().target(image.target()).orElse(null);
    ProgramImage program = null;
    List<String> damage = new ArrayList<>();
    List<ImageProblem> problems = List.of();
    List<String> said = new ArrayList<>();
    boolean proves = !image.sha256().isEmpty();
    try {
      ImageFile.Known known =
          new ImageFile.Known(image.base(), target == null ? null : target.uf2Family());
      switch (ImageFile.read(image.file(), open.folder().bytes(image.file()), known)) {
        case ImageRead.Image read -> {
          program = read.image();
          said.addAll(read.remarks());
          if (target != null) {
            problems = ImageCheck.of(program, read.families(), target, open.parts());
            new ConfigCheck(target, open.parts())
                .said(program).stream()
                    .flatMap(each -> each.sentence().stream())
                    .map(sentence -> words.say("load.says", sentence))
                    .forEach(said::add);
          }
          if (proves && !image.sha256().equals(program.sha256())) {
            damage.add(words.say("load.hash", image.file()));
          }
        }
        case ImageRead.Damaged damaged ->
            damaged.findings().forEach(finding -> damage.add(finding.toString()));
      }
    } catch (IOException e) {
      damage.add(words.say("load.unreadable", image.file()));
    }
    return new ImageOnBench(image, target, program, damage, problems, said, proves);
  }

  /** Gives what has to be known before it is sent, though nothing else stands against it. */
  Optional<ImageProblem> stop() {
    return fits()
        ? problems.stream().filter(each -> each.kind().isStop()).findFirst()
        : Optional.empty();
  }

  /** Tells whether nothing stands against it but what may be gone past. */
  boolean fits() {
    return problems.stream().allMatch(each -> each.kind().isStop());
  }

  Optional<ProgramImage> whole() {
    return damage.isEmpty() ? Optional.ofNullable(program) : Optional.empty();
  }
}
