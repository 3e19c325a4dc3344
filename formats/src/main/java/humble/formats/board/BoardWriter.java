package humble.formats.board;

import humble.core.kit.Board;
import humble.core.kit.LeadClass;
import humble.core.kit.PackagePin;
import humble.core.kit.PadSize;
import humble.core.kit.Part;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import humble.core.kit.Place;
import humble.core.kit.PointMm;
import humble.core.kit.Side;
import humble.core.words.ForeignText;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.SequencedMap;
import java.util.regex.Pattern;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/**
 * Writes the board files of a kit from its own data: pads with their pins and nets on both copper
 * sides, masks, legend outlines, the profile, the holes and the netlist. Tracks are not in a kit
 * and are not invented.
 */
public final class BoardWriter {
  private static final double MASK_MORE_MM = 0.1;
  private static final double LINE_MM = 0.15;

  /** What attributes of layers and columns of netlists may not hold. */
  private static final Pattern NOT_IN_AN_ATTRIBUTE = Pattern.compile("[^A-Za-z0-9_+/.#~-]");

  /** The time that every entry of an archive bears. */
  private static final long ENTRY_TIME = 1_767_225_600_000L;

  private final Parts parts;
  private final Board board;

  private BoardWriter(Parts parts, Board board) {
    this.parts = parts;
    this.board = board;
  }

  /** Gives the files by role, as a kit names them. */
  public static SequencedMap<String, String> files(Parts parts, Board board) {
    BoardWriter writer = new BoardWriter(parts, board);
    SequencedMap<String, String> files = new LinkedHashMap<>();
    files.put("copper_top", writer.copper(Side.TOP));
    files.put("copper_bottom", writer.copper(Side.BOTTOM));
    files.put("mask_top", writer.mask(Side.TOP));
    files.put("mask_bottom", writer.mask(Side.BOTTOM));
    files.put("legend_top", writer.legend(Side.TOP));
    files.put("legend_bottom", writer.legend(Side.BOTTOM));
    files.put("profile", writer.profile());
    files.put("drill", writer.drill());
    files.put("netlist", writer.netlist());
    return files;
  }

  /**
   * Gives the files of a board as an archive, named by their roles. The same kit gives the same
   * bytes.
   */
  public static byte[] archive(Parts parts, Board board) {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
      for (Map.Entry<String, String> file : files(parts, board).entrySet()) {
        String ending =
            switch (file.getKey()) {
              case "drill" -> ".drl";
              case "netlist" -> ".ipc";
              default -> ".gbr";
            };
        ZipEntry entry =
            new ZipEntry(
                ForeignText.fileName(board.id()) + "-" + file.getKey().replace('_', '-') + ending);
        entry.setTime(ENTRY_TIME);
        zip.putNextEntry(entry);
        zip.write(file.getValue().getBytes(StandardCharsets.ISO_8859_1));
        zip.closeEntry();
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return bytes.toByteArray();
  }

  /** One pad of the board. */
  private record Pad(Part part, PackagePin pin, PointMm at, boolean through, Side side) {
    boolean isOn(Side which) {
      return through || side == which;
    }
  }

  /** A chip in a socket has no pads of its own. */
  private List<Pad> pads() {
    List<Pad> pads = new ArrayList<>();
    for (Part part : parts.all()) {
      Place place = part.place();
      if (place != null
          && place.board().equals(board.id())
          && parts.socketOf(part.ref()).isEmpty()) {
        for (PackagePin pin : part.pack().pins()) {
          boolean through = part.pack().lead() != LeadClass.SMD;
          pads.add(new Pad(part, pin, place.onBoard(pin.at()), through, place.side()));
        }
      }
    }
    return pads;
  }

  /** The net of a pad: a socket carries the nets of its chip. */
  private String net(Pad pad) {
    String ref = parts.chipIn(pad.part().ref()).orElse(pad.part().ref());
    return parts.netOf(new PinRef(ref, pad.pin().number())).orElse("");
  }

  private String copper(Side side) {
    Gerbers out = new Gerbers("Copper," + (side == Side.TOP ? "L1,Top" : "L2,Bot"));
    for (Pad pad : pads()) {
      if (pad.isOn(side)) {
        out.pin(pad.part().ref(), pad.pin().number(), net(pad));
        out.flash(shape(pad, 0), pad.at());
      }
    }
    return out.end();
  }

  private String mask(Side side) {
    Gerbers out = new Gerbers("Soldermask," + (side == Side.TOP ? "Top" : "Bot"));
    pads().stream()
        .filter(pad -> pad.isOn(side))
        .forEach(pad -> out.flash(shape(pad, MASK_MORE_MM), pad.at()));
    return out.end();
  }

  /** Pin 1 is square, the others round. */
  private static String shape(Pad pad, double more) {
    double size = (pad.through() ? PadSize.THROUGH_MM : PadSize.FLAT_MM) + more;
    return pad.pin().number().equals("1")
        ? String.format(Locale.ROOT, "R,%.3fX%.3f", size, size)
        : String.format(Locale.ROOT, "C,%.3f", size);
  }

  private String legend(Side side) {
    Gerbers out = new Gerbers("Legend," + (side == Side.TOP ? "Top" : "Bot"));
    for (Part part : parts.all()) {
      Place place = part.place();
      if (place != null && place.board().equals(board.id()) && place.side() == side) {
        out.component(part.ref());
        double[] box = {0.6, 0.6, -0.6, -0.6};
        for (PackagePin pin : part.pack().pins()) {
          box[0] = Math.min(box[0], pin.at().xMm() - 1);
          box[1] = Math.min(box[1], pin.at().yMm() - 1);
          box[2] = Math.max(box[2], pin.at().xMm() + 1);
          box[3] = Math.max(box[3], pin.at().yMm() + 1);
        }
        out.closed(
            List.of(
                place.onBoard(new PointMm(box[0], box[1])),
                place.onBoard(new PointMm(box[2], box[1])),
                place.onBoard(new PointMm(box[2], box[3])),
                place.onBoard(new PointMm(box[0], box[3]))));
      }
    }
    return out.end();
  }

  private String profile() {
    Gerbers out = new Gerbers("Profile,NP");
    List<PointMm> outline =
        board.outline().isEmpty()
            ? List.of(
                new PointMm(0, 0),
                new PointMm(board.widthMm(), 0),
                new PointMm(board.widthMm(), board.heightMm()),
                new PointMm(0, board.heightMm()))
            : board.outline();
    out.closed(outline);
    return out.end();
  }

  private String drill() {
    StringBuilder out = new StringBuilder("M48\nMETRIC,TZ,000.000\n");
    out.append(
        String.format(Locale.ROOT, "T1C%.3f%n", PadSize.HOLE_MM)
            .replace(System.lineSeparator(), "\n"));
    out.append("%\nT1\n");
    for (Pad pad : pads()) {
      if (pad.through()) {
        out.append(
            String.format(
                Locale.ROOT,
                "X%dY%d\n",
                Math.round(pad.at().xMm() * 1000),
                Math.round(pad.at().yMm() * 1000)));
      }
    }
    return out.append("M30\n").toString();
  }

  private String netlist() {
    StringBuilder out =
        new StringBuilder(
            "C  "
                + ForeignText.fileName(board.id())
                + "\nP  JOB "
                + ForeignText.fileName(parts.kit().id())
                + "\nP  UNITS CUST 1\n");
    for (Pad pad : pads()) {
      String net = net(pad);
      out.append(
          String.format(
              Locale.ROOT,
              "%s%-14s   %-6s-%-4s %-6sA%02dX%+07dY%+07d\n",
              pad.through() ? "317" : "327",
              net.isEmpty() ? "N/C" : Gerbers.plain(net),
              Gerbers.plain(pad.part().ref()),
              Gerbers.plain(pad.pin().number()),
              pad.through()
                  ? String.format(Locale.ROOT, "D%04dP", Math.round(PadSize.HOLE_MM * 1000))
                  : "",
              pad.through() ? 0 : pad.side() == Side.TOP ? 1 : 2,
              Math.round(pad.at().xMm() * 1000),
              Math.round(pad.at().yMm() * 1000)));
    }
    return out.append("999\n").toString();
  }

  /** One Gerber file in the making. */
  private static final class Gerbers {
    private final StringBuilder head = new StringBuilder();
    private final StringBuilder body = new StringBuilder();
    private final List<String> apertures = new ArrayList<>();
    private String chosen = "";

    Gerbers(String function) {
      head.append("%TF.FileFunction,").append(function).append("*%\n%FSLAX46Y46*%\n%MOMM*%\n");
    }

    private void choose(String shape) {
      if (!apertures.contains(shape)) {
        apertures.add(shape);
      }
      if (!shape.equals(chosen)) {
        body.append('D').append(10 + apertures.indexOf(shape)).append("*\n");
        chosen = shape;
      }
    }

    void pin(String ref, String number, String net) {
      body.append("%TO.P,").append(plain(ref)).append(',').append(plain(number)).append("*%\n");
      body.append("%TO.N,").append(plain(net)).append("*%\n");
    }

    void component(String ref) {
      body.append("%TO.C,").append(plain(ref)).append("*%\n");
    }

    /** An asterisk, a per cent sign or a line break would end the attribute and begin a command. */
    private static String plain(String name) {
      return NOT_IN_AN_ATTRIBUTE.matcher(name).replaceAll("_");
    }

    void flash(String shape, PointMm at) {
      choose(shape);
      body.append(point(at)).append("D03*\n");
    }

    void closed(List<PointMm> corners) {
      choose(String.format(Locale.ROOT, "C,%.3f", LINE_MM));
      body.append("G01*\n").append(point(corners.getLast())).append("D02*\n");
      corners.forEach(corner -> body.append(point(corner)).append("D01*\n"));
    }

    private static String point(PointMm at) {
      return "X" + Math.round(at.xMm() * 1e6) + "Y" + Math.round(at.yMm() * 1e6);
    }

    String end() {
      StringBuilder out = new StringBuilder(head);
      for (int i = 0; i < apertures.size(); i++) {
        out.append("%ADD").append(10 + i).append(apertures.get(i)).append("*%\n");
      }
      return out.append(body).append("M02*\n").toString();
    }
  }
}
