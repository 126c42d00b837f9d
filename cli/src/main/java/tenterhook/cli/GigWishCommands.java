package tenterhook.cli;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.ParentCommand;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.playlist.Playlist;
import tenterhook.adapters.playlist.PlaylistFile;
import tenterhook.core.gig.Gig;
import tenterhook.core.gig.Wish;
import tenterhook.core.gig.WishLines;

/** What people wish for a gig. */
final class GigWishCommands {
  private static final List<String> LISTS = List.of(".csv", ".m3u8", ".m3u", ".xspf", ".jspf");

  private GigWishCommands() {}

  @Command(
      name = "wishes",
      description = "Lists the wishes and what is settled of them.",
      subcommands = {Add.class, Settle.class})
  static final class Wishes extends CollectionCommand {
    @ParentCommand GigCommand of;

    @Override
    void run(MusicCollection collection) {
      for (Wish wish : GigsCommand.gig(collection, of.title).wishes()) {
        String state = wish.refused() ? "refused" : wish.open() ? "open" : "chosen";
        String track = wish.track() == 0 ? "" : tracks(collection).name(wish.track());
        say(
            object()
                .put("wish", wish.line())
                .put("by", wish.by())
                .put("state", state)
                .put("track", wish.track()),
            String.format(
                "%-8s %s%s%s",
                state,
                wish.line(),
                wish.by().isEmpty() ? "" : " (" + wish.by() + ")",
                track.isEmpty() ? "" : " → " + track));
      }
    }
  }

  @Command(name = "add", description = "Takes wishes from a text, a line each, or from a list.")
  static final class Add extends CollectionCommand {
    @ParentCommand Wishes of;

    @Parameters(
        index = "0",
        paramLabel = "FILE",
        description = "A text, CSV, M3U8, XSPF or JSPF; - reads lines from what is piped in.")
    String file;

    @Option(names = "--by", paramLabel = "NAME", description = "Who wishes.")
    String by = "";

    @Override
    void run(MusicCollection collection) throws IOException {
      List<Wish> wishes = WishLines.of(text(), by);
      of.of.edit(this, collection, "wishes", g -> g.plusWishes(wishes));
    }

    private String text() throws IOException {
      if (file.equals("-")) {
        return new String(System.in.readAllBytes(), StandardCharsets.UTF_8);
      }
      Path path = Path.of(file);
      String name = file.toLowerCase(Locale.ROOT);
      if (LISTS.stream().noneMatch(name::endsWith)) {
        return Files.readString(path);
      }
      StringBuilder lines = new StringBuilder();
      for (Playlist.Entry entry : PlaylistFile.read(path).entries()) {
        lines.append(entry.name()).append('\n');
      }
      return lines.toString();
    }
  }

  @Command(name = "settle", description = "Says which track a wish is, or that it is refused.")
  static final class Settle extends CollectionCommand {
    @ParentCommand Wishes of;

    @Parameters(index = "0", paramLabel = "LINE", description = "The wish as it was written.")
    String line;

    @Option(names = "--as", paramLabel = "QUERY", description = "Finds the one track that it is.")
    String as;

    @Option(names = "--refuse", description = "It will not be played.")
    boolean refuse;

    @Override
    void run(MusicCollection collection) {
      Gig gig = GigsCommand.gig(collection, of.of.title);
      List<Wish> meant =
          gig.wishes().stream().filter(w -> w.line().equalsIgnoreCase(line.strip())).toList();
      if (meant.isEmpty()) {
        throw new IllegalArgumentException("nobody wished '" + line + "'");
      }
      int track = as == null ? 0 : one(collection);
      of.of.edit(
          this,
          collection,
          "a wish",
          g -> {
            Gig settled = g;
            for (Wish wish : meant) {
              settled = settled.settled(refuse ? wish.refuse() : wish.chosen(track));
            }
            return settled;
          });
    }

    private int one(MusicCollection collection) {
      return GigCommand.one(as, find(collection, as));
    }
  }
}
