package lucidsweep.server.startup;

import jakarta.annotation.Nullable;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import lucidsweep.server.backup.DatabaseFile;
import lucidsweep.server.backup.UpgradeCopy;
import lucidsweep.server.database.FolderLock;
import lucidsweep.server.web.Refusal;
import org.springframework.beans.factory.support.DefaultSingletonBeanRegistry;
import org.springframework.boot.EnvironmentPostProcessor;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.core.env.ConfigurableEnvironment;
import org.springframework.core.env.MapPropertySource;

/**
 * Makes the folder ready that everything is kept in. {@code lucid.data} names it; the rest of the application sees it as an
 * absolute path, whatever was given.
 */
final class DataFolder implements EnvironmentPostProcessor {

    private static final String PROPERTY = "lucid.data";

    /** Names a database with nothing in it that was made at build; a start without one makes its own. */
    private static final String EMPTY_DATABASE = "lucid.empty-database";

    @Override
    public void postProcessEnvironment(ConfigurableEnvironment environment, SpringApplication application) {
        Path folder = Path.of(environment.getProperty(PROPERTY, "data"))
                .toAbsolutePath()
                .normalize();
        try {
            if (!Files.isDirectory(folder)) {
                Files.createDirectories(folder);
                OwnerOnly.restrict(folder);
            }
        } catch (IOException e) {
            throw cannotBeUsed(folder);
        }
        if (!Files.isWritable(folder)) throw cannotBeUsed(folder);
        String empty = environment.getProperty(EMPTY_DATABASE);
        application.addInitializers(context -> takeOver(folder, empty, context));
        environment
                .getPropertySources()
                .addFirst(new MapPropertySource("data folder", Map.of(PROPERTY, folder.toString())));
    }

    /** From here on what goes wrong is told in the log, and nobody else works in the folder. */
    private static void takeOver(Path folder, @Nullable String empty, ConfigurableApplicationContext context) {
        FolderLock lock = lock(folder);
        try {
            putBackWhereAnUpgradeWasCutShort(folder);
            putBackWhatWaits(folder);
            if (empty != null) DatabaseFile.begin(folder, Path.of(empty));
        } catch (IOException e) {
            close(lock);
            throw cannotBeUsed(folder);
        } catch (RuntimeException e) {
            close(lock);
            throw e;
        }
        closeLast(context, lock);
    }

    private static FolderLock lock(Path folder) {
        try {
            return FolderLock.take(folder).orElseThrow(() -> new StartRefused(StartProblem.IN_USE));
        } catch (IOException e) {
            throw cannotBeUsed(folder);
        }
    }

    /** What is named first is closed last: the database by then. */
    private static void closeLast(ConfigurableApplicationContext context, FolderLock lock) {
        DefaultSingletonBeanRegistry beans = (DefaultSingletonBeanRegistry) context.getBeanFactory();
        beans.registerDisposableBean("folderLock", () -> close(lock));
    }

    private static void close(FolderLock lock) {
        try {
            lock.close();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static void putBackWhereAnUpgradeWasCutShort(Path folder) {
        try {
            new UpgradeCopy(folder).putBackWhereCutShort();
        } catch (IOException e) {
            throw new StartRefused("An upgrade was cut short, and the copy made before it cannot be put back: "
                    + e.getMessage() + ". It is " + folder.resolve("before-upgrade.zip") + ".");
        }
    }

    private static void putBackWhatWaits(Path folder) {
        try {
            DatabaseFile.putBackWhatWaits(folder);
        } catch (IOException | Refusal e) {
            throw new StartRefused("A backup waits to be put back and cannot be: " + e.getMessage() + ". It is "
                    + folder.resolve("restore-at-next-start.zip") + ".");
        }
    }

    private static StartRefused cannotBeUsed(Path folder) {
        return new StartRefused(
                "The data folder " + folder + " cannot be written to. Choose another: ./start --data DIR");
    }
}
