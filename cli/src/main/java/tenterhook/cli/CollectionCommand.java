package tenterhook.cli;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.time.InstantSource;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import org.roaringbitmap.RoaringBitmap;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Spec;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.core.change.Change;
import tenterhook.core.change.Outcome;
import tenterhook.core.find.FindParser;
import tenterhook.core.find.Parsed;
import tenterhook.core.find.Query;
import tenterhook.core.job.Progress;
import tenterhook.core.track.Snapshot;

/** What every command shares: opening the collection, finding, altering, printing. */
abstract class CollectionCommand implements Callable<Integer> {
  static final ObjectMapper JSON = new ObjectMapper();

  @Spec CommandSpec spec;

  TenterhookCommand main;

  private int status = TenterhookCommand.DONE;

  /** Does the command's work on an open collection. */
  abstract void run(MusicCollection collection) throws Exception;

  @Override
  public Integer call() throws Exception {
    main =
        (TenterhookCommand)
            spec.root().userObject(); // nested commands share the outermost one's options
    try (MusicCollection collection =
        MusicCollection.open(main.collection, InstantSource.system())) {
      collection.startupProblems().forEach(t -> main.err.println(t.path() + ": " + t.reason()));
      sayBehind(collection);
      run(collection);
    }
    return status;
  }

  private void sayBehind(MusicCollection collection) {
    int behind = collection.disks().behind().getCardinality();
    if (behind > 0) {
      main.err.println(
          behind
              + " tracks were read before the program knew all of its fields; a scan reads them"
              + " again");
    }
  }

  /** Notes that some files could not be done. */
  void partly() {
    status = TenterhookCommand.PARTLY;
  }

  /** The tracks that a query finds; refuses a wrong one with its position. */
  static RoaringBitmap find(MusicCollection collection, String query) {
    return collection.contents().finder().find(parse(collection, query));
  }

  static Query parse(MusicCollection collection, String query) {
    return switch (FindParser.parse(query, collection.state().codebook())) {
      case Parsed.Good good -> good.query();
      case Parsed.Bad bad ->
          throw new IllegalArgumentException(
              query + "\n" + " ".repeat(bad.position()) + "^ " + bad.message());
    };
  }

  /** Prints an object as one line, or a sentence for people. */
  void say(ObjectNode node, String words) {
    if (main.json) {
      main.out.println(text(node));
    } else {
      main.out.println(words);
    }
  }

  static ObjectNode object() {
    return JSON.createObjectNode();
  }

  private static String text(ObjectNode node) {
    try {
      return JSON.writeValueAsString(node);
    } catch (JsonProcessingException impossible) {
      throw new IllegalStateException("plain values can always be written", impossible);
    }
  }

  /** Does a change, or only says what it would do, and prints its outcome. */
  void apply(MusicCollection collection, Change change) {
    apply(collection, now -> change);
  }

  /** Does what a command says of the collection as it is, or only says what it would do. */
  void apply(MusicCollection collection, MusicCollection.Command command) {
    if (main.dryRun) {
      Change change = command.on(collection.state());
      sayNights(collection.state().holders().nightsMissing(change, collection.today()));
      int tracks = change.tracks().getCardinality();
      say(
          object().put("dryRun", change.title()).put("tracks", tracks),
          "would do: " + change.title());
      return;
    }
    List<String> nights = new ArrayList<>();
    Outcome done =
        collection.apply(
            now -> {
              Change change = command.on(now);
              nights.clear();
              nights.addAll(now.holders().nightsMissing(change, collection.today()));
              return change;
            },
            progress());
    sayNights(nights);
    report(collection, done);
  }

  private void sayNights(List<String> nights) {
    if (!nights.isEmpty()) {
      main.err.println(
          "these gigs to come plan to play what goes: "
              + String.join(", ", nights)
              + "; 'gig NAME ready' says what is missing, 'undo' brings it back");
    }
  }

  /** Prints what became of a change. */
  void report(MusicCollection collection, Outcome outcome) {
    ObjectNode node = object();
    node.put("change", outcome.number()).put("tracks", outcome.tracks());
    node.put("written", outcome.written());
    ArrayNode refused = node.putArray("refused");
    outcome
        .refused()
        .forEach(r -> refused.addObject().put("path", r.path()).put("reason", r.reason()));
    outcome
        .refused()
        .forEach(r -> main.err.println("left as it was: " + r.path() + ": " + r.reason()));
    list(node.putArray("unconfirmed"), outcome.unconfirmed(), "done, not yet confirmed: ");
    list(node.putArray("notes"), outcome.notes(), "note: ");
    if (!outcome.refused().isEmpty() || !outcome.unconfirmed().isEmpty()) {
      partly();
    }
    say(node, sentence(outcome));
  }

  private void list(ArrayNode into, List<Outcome.Refusal> what, String words) {
    for (Outcome.Refusal one : what) {
      into.addObject().put("path", one.path()).put("reason", one.reason());
      main.err.println(words + one.path() + ": " + one.reason());
    }
  }

  private static String sentence(Outcome outcome) {
    if (outcome.number() > 0) {
      return "change "
          + outcome.number()
          + ": "
          + outcome.title()
          + done(outcome)
          + "; undo "
          + outcome.number()
          + " takes it back";
    }
    if (outcome.tracks() == 0) {
      return "nothing to change";
    }
    return outcome.unconfirmed().isEmpty()
        ? outcome.title() + done(outcome) + "; this cannot be taken back"
        : "written, but not noted" + done(outcome);
  }

  private static String done(Outcome outcome) {
    long left = outcome.refused().stream().filter(r -> r.id() != 0).count();
    return left == 0 ? "" : " (done on " + outcome.tracks() + ", not on " + left + ")";
  }

  /** Progress on standard error, at most a line a second. */
  Progress progress() {
    return new Progress() {
      private long last;

      @Override
      public synchronized void at(long done, long total, String words) {
        long now = System.currentTimeMillis();
        if (now - last > 1000) {
          last = now;
          main.err.println(done + (total < 0 ? "" : " of " + total) + "  " + words);
        }
      }

      @Override
      public boolean stopped() {
        return false;
      }
    };
  }

  /** A track's absolute path. */
  static String path(MusicCollection collection, int id) {
    return collection.state().path(id).toString();
  }

  static Snapshot tracks(MusicCollection collection) {
    return collection.state().snapshot();
  }
}
