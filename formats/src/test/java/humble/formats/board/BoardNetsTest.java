package humble.formats.board;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.budget.Budget;
import humble.core.kit.Finding;
import humble.formats.kit.BoardFiles;
import humble.formats.kit.DemoKits;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * Six boards that another program routed and exported, of two and of four layers, with planes,
 * thermal relief, vias and plated slots; and its netlists of them.
 */
class BoardNetsTest {
  @TempDir Path folder;

  private Map<String, String> unpacked(String board) throws IOException {
    try (InputStream in = BoardNetsTest.class.getResourceAsStream("/boards/" + board + ".zip");
        ZipInputStream zip = new ZipInputStream(in)) {
      for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
        Files.write(folder.resolve(entry.getName()), zip.readAllBytes());
      }
    }
    return roles();
  }

  private Map<String, String> roles() throws IOException {
    Map<String, String> names = new LinkedHashMap<>();
    BoardFiles.in(folder)
        .byRole()
        .forEach((role, file) -> names.put(role, file.getFileName().toString()));
    return names;
  }

  private BoardNets nets(Map<String, String> files, BoardNets.@Nullable Source source) {
    return BoardNets.of(
        files,
        name -> Files.readAllBytes(folder.resolve(name)),
        source,
        List.of(),
        LengthUnit.UNSAID,
        Budget.unlimited());
  }

  private static Map<String, Set<String>> pins(BoardNets nets) {
    Map<String, Set<String>> pins = new TreeMap<>();
    for (BoardNets.Net net : nets.nets()) {
      pins.put(
          net.name(),
          net.pads().stream()
              .filter(pad -> pad.ref() != null)
              .map(BoardNets.Pad::text)
              .collect(Collectors.toCollection(TreeSet::new)));
    }
    return pins;
  }

  /** The pads of every net by their places, without a name. */
  private static Set<Set<String>> groups(BoardNets nets) {
    return nets.nets().stream()
        .map(net ->
            net.pads().stream()
                .map(pad ->
                    String.format(
                        java.util.Locale.ROOT, "%.2f %.2f", pad.at().xMm(), pad.at().yMm()))
                .collect(Collectors.toSet()))
        .filter(pads -> pads.size() > 1)
        .collect(Collectors.toSet());
  }

  @ParameterizedTest
  @ValueSource(strings = {"quay", "pier", "sluice", "mole", "lock", "basin"})
  void theCopperJoinsWhatTheNetlistSays(String board) throws Exception {
    Map<String, String> files = unpacked(board);
    BoardNets copper = nets(files, BoardNets.Source.COPPER);
    BoardNets said = nets(files, BoardNets.Source.NETLIST);
    assertThat(copper.problems()).filteredOn(p -> p.level() != Finding.Level.NOTE).isEmpty();
    assertThat(pins(copper)).isEqualTo(pins(said)).hasSizeGreaterThan(12);
    assertThat(copper.source()).isEqualTo(BoardNets.Source.COPPER);
  }

  @ParameterizedTest
  @ValueSource(strings = {"quay", "pier", "sluice", "mole", "lock", "basin"})
  void withoutANetlistTheSamePadsAreJoinedNamelessly(String board) throws Exception {
    Map<String, String> files = unpacked(board);
    Set<Set<String>> said = groups(nets(files, BoardNets.Source.NETLIST));
    files.remove("netlist");
    BoardNets copper = nets(files, null);
    assertThat(copper.nets()).allSatisfy(net -> assertThat(net.name()).matches("n[0-9]+"));
    assertThat(copper.nets())
        .flatExtracting(BoardNets.Net::pads)
        .extracting("ref")
        .containsOnlyNulls();
    Set<Set<String>> traced = groups(copper);
    assertThat(said).allSatisfy(net -> assertThat(traced).anyMatch(each -> each.containsAll(net)));
    assertThat(traced).hasSameSizeAs(said);
  }

  @Test
  void namesJoinNothing() throws Exception {
    Path kit = DemoKits.root().resolve("kits/weathercock/board");
    try (var list = Files.list(kit)) {
      for (Path file : list.toList()) {
        String text = Files.readString(file, StandardCharsets.ISO_8859_1);
        Files.writeString(
            folder.resolve(file.getFileName()),
            // A track is as nameless as the pads it does not reach.
            text.replaceAll("(?s)%TD\\*%\n%ADD30.*M02", "M02"),
            StandardCharsets.ISO_8859_1);
      }
    }
    BoardNets bare = nets(roles(), BoardNets.Source.COPPER);
    assertThat(bare.nets()).allSatisfy(net -> assertThat(net.pads()).hasSize(1));
    assertThat(bare.problems())
        .extracting(Finding::text)
        .anyMatch(text -> text.startsWith("The files call it one net, GND, but no copper joins"));
  }

  @Test
  void theDemoBoardIsJoinedByItsTracksNamedOrNot() throws Exception {
    Path kit = DemoKits.root().resolve("kits/weathercock/board");
    try (var list = Files.list(kit)) {
      for (Path file : list.toList()) {
        String text = Files.readString(file, StandardCharsets.ISO_8859_1);
        Files.writeString(
            folder.resolve(file.getFileName()),
            text.replaceAll("%T[OD][^%]*%\n", ""),
            StandardCharsets.ISO_8859_1);
      }
    }
    Map<String, String> files = roles();
    Set<Set<String>> said = groups(nets(files, BoardNets.Source.NETLIST));
    assertThat(groups(nets(files, BoardNets.Source.COPPER))).isEqualTo(said);
    files.remove("netlist");
    assertThat(groups(nets(files, BoardNets.Source.COPPER))).isEqualTo(said);
  }

  @Test
  void aViaThatIsMovedOpensItsNet() throws Exception {
    Map<String, String> files = unpacked("basin");
    Path drill = folder.resolve(files.get("drill"));
    String text = Files.readString(drill);
    Matcher hole = Pattern.compile("(?m)^X0([0-9]{5})Y").matcher(text);
    Map<String, Set<String>> before = pins(nets(files, BoardNets.Source.COPPER));
    int changed = 0;
    int vias = 0;
    while (hole.find() && vias < 12) {
      vias++;
      String moved =
          text.substring(0, hole.start(1))
              + String.format("%05d", Integer.parseInt(hole.group(1)) + 7)
              + text.substring(hole.end(1));
      // Two thousandths of an inch more or less: within its own pad nothing changes.
      Files.writeString(drill, moved);
      assertThat(pins(nets(files, BoardNets.Source.COPPER))).isEqualTo(before);
      Files.writeString(
          drill,
          text.substring(0, hole.start(1))
              + String.format("%05d", Integer.parseInt(hole.group(1)) + 60000)
              + text.substring(hole.end(1)));
      changed += pins(nets(files, BoardNets.Source.COPPER)).equals(before) ? 0 : 1;
    }
    assertThat(changed).isGreaterThan(9);
  }

  /** Every track of a board without a plane is needed: a gap of a micrometre shows. */
  @Test
  void everyTrackThatIsOpenedByAHairOpensANet() throws Exception {
    Map<String, String> files = unpacked("quay");
    Path layer = folder.resolve(files.get("copper_top"));
    String text = Files.readString(layer);
    Set<Set<String>> before = groups(nets(files, BoardNets.Source.COPPER));
    Layer read = Gerber.read("top", text.getBytes(StandardCharsets.ISO_8859_1));
    List<Layer.Stroke> tracks = new ArrayList<>();
    for (Layer.Mark mark : read.marks()) {
      if (mark instanceof Layer.Stroke track && track.from().distanceMm(track.to()) > 1) {
        tracks.add(track);
      }
    }
    assertThat(tracks).hasSizeGreaterThan(20);
    int opened = 0;
    for (Layer.Stroke track : tracks) {
      Files.writeString(layer, text.replace("M02*", hair(track) + "M02*"));
      boolean open = !groups(nets(files, BoardNets.Source.COPPER)).equals(before);
      assertThat(open).as("%s", track).isNotEqualTo(isBridged(read, track));
      opened += open ? 1 : 0;
    }
    assertThat(opened).isGreaterThan(25);
  }

  /** Tells whether something else that is drawn lies over the middle of a track. */
  private static boolean isBridged(Layer layer, Layer.Stroke track) {
    double x = (track.from().xMm() + track.to().xMm()) / 2;
    double y = (track.from().yMm() + track.to().yMm()) / 2;
    for (Layer.Mark mark : layer.marks()) {
      double[] box = mark.extent();
      boolean over =
          mark instanceof Layer.Stroke other
              ? java.awt.geom.Line2D.ptSegDist(
                      other.from().xMm(),
                      other.from().yMm(),
                      other.to().xMm(),
                      other.to().yMm(),
                      x,
                      y)
                  < other.widthMm() / 2
              : box[0] < x && x < box[2] && box[1] < y && y < box[3];
      if (over && mark != track) {
        return true;
      }
    }
    return false;
  }

  /** A line across the middle of a track that takes a hair of copper away. */
  private static String hair(Layer.Stroke track) {
    double dx = track.to().xMm() - track.from().xMm();
    double dy = track.to().yMm() - track.from().yMm();
    double length = Math.hypot(dx, dy);
    double x = (track.from().xMm() + track.to().xMm()) / 2;
    double y = (track.from().yMm() + track.to().yMm()) / 2;
    double reach = track.widthMm() / 2 + 0.01;
    return String.format(
        java.util.Locale.ROOT,
        "%%LPC*%%\n%%ADD99C,0.00005*%%\nG54D99*X%dY%dD02*X%dY%dD01*\n",
        inches(x - dy / length * reach),
        inches(y + dx / length * reach),
        inches(x + dy / length * reach),
        inches(y - dx / length * reach));
  }

  private static long inches(double mm) {
    return Math.round(mm / 25.4 * 1e5);
  }

  @Test
  void whatCopperAndNetlistSayDifferentlyIsShown() throws Exception {
    Map<String, String> files = unpacked("quay");
    Path netlist = folder.resolve(files.get("netlist"));
    String text = Files.readString(netlist);
    Files.writeString(netlist, text.replaceFirst("3([12])7N3 ", "3$17N4 "));
    BoardNets nets = nets(files, BoardNets.Source.COPPER);
    assertThat(nets.problems())
        .filteredOn(p -> p.level() == Finding.Level.WARNING)
        .extracting(Finding::text)
        .anyMatch(t -> t.startsWith("Copper joins what the files call N3 and N4: "))
        .anyMatch(t -> t.startsWith("The files call it one net, N4, but no copper joins "));
  }

  @Test
  void withoutCopperThereIsOnlyWhatIsSaid() throws Exception {
    Map<String, String> files = unpacked("quay");
    files.keySet().removeIf(role -> !role.equals("netlist"));
    assertThat(nets(files, null).source()).isEqualTo(BoardNets.Source.NETLIST);
    BoardNets copper = nets(files, BoardNets.Source.COPPER);
    assertThat(copper.nets()).isEmpty();
    assertThat(copper.problems()).extracting(Finding::isError).contains(true);
  }
}
