package tenterhook.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.net.URI;
import java.util.concurrent.Callable;
import org.roaringbitmap.RoaringBitmap;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParentCommand;
import tenterhook.adapters.catalogue.CatalogueClient;
import tenterhook.adapters.catalogue.CatalogueClient.Manners;
import tenterhook.adapters.catalogue.CatalogueJson;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.repair.RepairService;
import tenterhook.core.catalogue.Answer;
import tenterhook.core.catalogue.Lookup;
import tenterhook.core.catalogue.Match;
import tenterhook.standins.catalogue.CatalogueBook;
import tenterhook.standins.catalogue.CatalogueService;
import tenterhook.standins.demo.DemoMusic;

/** Asks the catalogue about tracks; its answers are kept and become repairs. */
@Command(
    name = "catalogue",
    description = "Looks tracks up in the catalogue, or serves the stand-in's.",
    subcommands = {CatalogueCommand.LookUp.class, CatalogueCommand.Serve.class})
final class CatalogueCommand implements Callable<Integer> {
  @ParentCommand TenterhookCommand main;

  @Override
  public Integer call() {
    main.err.println("say look or serve: tenterhook catalogue look [QUERY]");
    return TenterhookCommand.WRONG;
  }

  @Command(
      name = "look",
      description = "Looks tracks up; repairs --kind catalogue then lists what it would mend.")
  static final class LookUp extends CollectionCommand {
    @Mixin QueryOption query = new QueryOption();

    @Option(
        names = "--service",
        paramLabel = "ADDRESS",
        description = "Of a catalogue service, ending in a stroke; without it the stand-in starts.")
    URI service;

    @Override
    void run(MusicCollection collection) throws IOException {
      if (service != null) {
        look(collection, new CatalogueClient(service));
        return;
      }
      try (CatalogueService standIn =
          CatalogueService.start(CatalogueBook.ofDemo(DemoMusic.TRACKS), 0)) {
        look(
            collection, new CatalogueClient(standIn.address(), Manners.NEIGHBOURLY, Thread::sleep));
      }
    }

    private void look(MusicCollection collection, CatalogueClient client) {
      RepairService repairService = new RepairService(collection);
      RoaringBitmap ids = query.in(collection);
      Lookup.LookedUp found = repairService.lookUp(ids, client, progress());
      ids.forEach(
          (int id) -> {
            Answer answer = found.answers().get(id);
            if (answer != null) {
              print(collection, id, answer);
            }
          });
      if (!found.trouble().isEmpty()) {
        main.err.println(found.trouble());
        partly();
      }
    }

    private void print(MusicCollection collection, int id, Answer answer) {
      ObjectNode node = object().put("path", path(collection, id));
      ArrayNode array = node.putArray("matches");
      for (Match match : answer.matches()) {
        CatalogueJson.write(array.addObject(), match.entry())
            .put("certainty", match.certainty())
            .put("reason", match.reason());
      }
      String words = words(answer);
      say(node, path(collection, id) + ": " + words);
    }

    private static String words(Answer answer) {
      return answer.matches().isEmpty()
          ? "no answer"
          : answer.matches().getFirst().certainty()
              + "  "
              + answer.matches().getFirst().entry().artist()
              + " – "
              + answer.matches().getFirst().entry().title();
    }
  }

  @Command(name = "serve", description = "Serves the stand-in's catalogue until it is interrupted.")
  static final class Serve implements Callable<Integer> {
    @ParentCommand CatalogueCommand parent;

    @Option(names = "--port", description = "On the loopback interface (${DEFAULT-VALUE}).")
    int port = 8470;

    @Option(names = "--delay", paramLabel = "MS", description = "Waits before every answer.")
    int delay;

    @Option(names = "--fail-every", paramLabel = "N", description = "Every so many-th fails.")
    int failEvery;

    @Option(names = "--limit", paramLabel = "N", description = "Requests a second at the most.")
    int limit;

    @Override
    public Integer call() throws Exception {
      try (CatalogueService service =
          CatalogueService.start(CatalogueBook.ofDemo(DemoMusic.TRACKS), port)) {
        service.behave(new CatalogueService.Mood(delay, failEvery, limit));
        parent.main.err.println("the catalogue answers at " + service.address());
        Thread.currentThread().join();
      }
      return TenterhookCommand.DONE;
    }
  }
}
