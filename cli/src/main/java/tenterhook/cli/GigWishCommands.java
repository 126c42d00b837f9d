package tenterhook.cli;

import com.fasterxml.jackson.databind.node.ObjectNode;
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
import tenterhook.core.gig.WishAnswer;
import tenterhook.core.gig.WishIndex;
import tenterhook.core.gig.WishLines;

/** What people wish for a gig. */
final class GigWishCommands {
  private static final List<String> LISTS = List.of(".csv", ".m3u8", ".m3u", ".xspf", ".jspf");

  private GigWishCommands() {}

  @Command(
      name = "wishes",
      description = "Lists the wishes: what is settled, and what each of the others may be.",
      subcommands = {Add.class, Settle.class, Missing.class})
  static final class Wishes extends CollectionCommand {
    @ParentCommand GigCommand of;

    @Override
    void run(MusicCollection collection) {
      answers(collection).forEach(a -> say(collection, a));
    }

    List<WishAnswer> answers(MusicCollection collection) {
      List<Wish> wishes = GigsCommand.gig(collection, of.title).wishes();
      return WishIndex.of(tracks(collection)).answers(wishes);
    }

    private void say(MusicCollection collection, WishAnswer answer) {
      Wish wish = answer.wish();
      ObjectNode node = object().put("wish", wish.line()).put("by", wish.by());
      node.put("state", answer.standing().words()).put("track", wish.track());
      String text = String.format("%-8s %s%s", answer.standing().words(), wish.line(), by(wish));
      if (wish.track() != 0) {
        text += " → " + tracks(collection).name(wish.track());
      }
      StringBuilder offers = new StringBuilder();
      for (WishIndex.Offer offer : answer.offers()) {
        ObjectNode one = node.withArray("offers").addObject();
        one.put("certainty", offer.certainty()).put("reason", offer.reason());
        offer.tracks().forEach(one.withArray("tracks")::add);
        offers.append(
            String.format(
                "%n  %3d %% %s (%s)",
                offer.certainty(),
                tracks(collection).name(offer.tracks().getFirst()),
                offer.reason()));
      }
      say(node, text + offers);
    }

    private static String by(Wish wish) {
      return wish.by().isEmpty() ? "" : " (" + wish.by() + ")";
    }
  }

  @Command(
      name = "missing",
      description = "Lists the wishes that the collection does not have: what is to be bought.")
  static final class Missing extends CollectionCommand {
    @ParentCommand Wishes of;

    @Override
    void run(MusicCollection collection) {
      of.answers(collection).stream()
          .filter(a -> a.standing() == WishAnswer.Standing.MISSING)
          .map(WishAnswer::wish)
          .forEach(
              w ->
                  say(
                      object().put("missing", w.line()).put("by", w.by()),
                      w.line() + Wishes.by(w)));
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

    @Parameters(
        index = "0",
        arity = "0..1",
        paramLabel = "LINE",
        description = "The wish as it was written.")
    String line;

    @Option(names = "--as", paramLabel = "QUERY", description = "Finds the one track that it is.")
    String as;

    @Option(names = "--refuse", description = "It will not be played.")
    boolean refuse;

    @Option(names = "--certain", description = "All wishes of which one recording is certain.")
    boolean certain;

    @Override
    void run(MusicCollection collection) {
      if ((line == null) != certain) {
        throw new IllegalArgumentException("say a wish, or --certain for all that are");
      }
      List<Wish> settled = certain ? certain(collection) : meant(collection);
      of.of.edit(
          this,
          collection,
          "wishes",
          g -> {
            Gig after = g;
            for (Wish wish : settled) {
              after = after.settled(wish);
            }
            return after;
          });
    }

    private List<Wish> certain(MusicCollection collection) {
      return of.answers(collection).stream()
          .filter(a -> a.standing() == WishAnswer.Standing.CERTAIN)
          .map(a -> a.wish().chosen(a.offers().getFirst().tracks().getFirst()))
          .toList();
    }

    private List<Wish> meant(MusicCollection collection) {
      List<Wish> meant =
          GigsCommand.gig(collection, of.of.title).wishes().stream()
              .filter(w -> w.line().equalsIgnoreCase(line.strip()))
              .toList();
      if (meant.isEmpty()) {
        throw new IllegalArgumentException("nobody wished '" + line + "'");
      }
      int track = as == null ? 0 : GigCommand.one(as, find(collection, as));
      return meant.stream().map(w -> refuse ? w.refuse() : w.chosen(track)).toList();
    }
  }
}
