package humble.desktop.book;

import humble.desktop.session.Errand;
import humble.desktop.session.Works;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import javafx.embed.swing.SwingFXUtils;
import javafx.scene.image.Image;
import javax.imageio.ImageIO;

/** Photos that were kept, as small prints; each is made once, in the background. */
final class Prints {
  private static final int HIGH_PX = 120;

  private final Path photos;
  private final Works works;
  private final Map<String, Optional<Image>> made = new HashMap<>();
  private final Map<String, Errand<?>> making = new HashMap<>();

  Prints(Path photos, Works works) {
    this.photos = photos;
    this.works = works;
  }

  /** Gives a print; empty while it is being made, or where its photo is not there any more. */
  Optional<Image> of(String file) {
    Optional<Image> known = made.get(file);
    if (known == null && !making.containsKey(file)) {
      making.put(
          file,
          works.start(
              calledOff -> print(file),
              print -> made.put(file, print.map(image -> SwingFXUtils.toFXImage(image, null)))));
    }
    return known == null ? Optional.empty() : known;
  }

  private Optional<BufferedImage> print(String file) {
    if (!file.matches("photos/[0-9a-f]{16,64}\\.jpg")) {
      return Optional.empty();
    }
    try {
      BufferedImage image =
          ImageIO.read(photos.resolve(file.substring("photos/".length())).toFile());
      return Optional.ofNullable(image).map(Prints::small);
    } catch (IOException e) {
      // The lane shows that a photo is not there.
      return Optional.empty();
    }
  }

  private static BufferedImage small(BufferedImage image) {
    int wide = Math.max(1, image.getWidth() * HIGH_PX / Math.max(1, image.getHeight()));
    BufferedImage print = new BufferedImage(wide, HIGH_PX, BufferedImage.TYPE_INT_ARGB);
    Graphics2D g = print.createGraphics();
    g.setRenderingHint(
        RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
    g.drawImage(image, 0, 0, wide, HIGH_PX, null);
    g.dispose();
    return print;
  }

  void left() {
    making.values().forEach(Errand::cancel);
    making.clear();
  }
}
