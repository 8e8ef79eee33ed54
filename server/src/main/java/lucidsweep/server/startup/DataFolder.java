package lucidsweep.server.startup;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import lucidsweep.server.backup.DatabaseFile;
import lucidsweep.server.backup.UpgradeCopy;
import org.springframework.boot.EnvironmentPostProcessor;
import org.springframework.boot.SpringApplication;
import org.springframework.core.env.ConfigurableEnvironment;
import org.springframework.core.env.MapPropertySource;

/**
 * Makes the folder ready that everything is kept in. {@code lucid.data} names it; the rest of the application sees it as an
 * absolute path, whatever was given.
 */
final class DataFolder implements EnvironmentPostProcessor {

    private static final String PROPERTY = "lucid.data";

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
        putBackWhereAnUpgradeWasCutShort(folder);
        putBackWhatWaits(folder);
        environment
                .getPropertySources()
                .addFirst(new MapPropertySource("data folder", Map.of(PROPERTY, folder.toString())));
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
        } catch (IOException e) {
            throw new StartRefused("A backup waits to be put back and cannot be: " + e.getMessage() + ". It is "
                    + folder.resolve("restore-at-next-start.zip") + ".");
        }
    }

    private static StartRefused cannotBeUsed(Path folder) {
        return new StartRefused(
                "The data folder " + folder + " cannot be written to. Choose another: ./start --data DIR");
    }
}
