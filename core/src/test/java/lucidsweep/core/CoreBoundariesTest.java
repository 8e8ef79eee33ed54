package lucidsweep.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.base.DescribedPredicate;
import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

@AnalyzeClasses(packages = "lucidsweep.core", importOptions = ImportOption.DoNotIncludeTests.class)
class CoreBoundariesTest {

    private static final DescribedPredicate<JavaClass> ALLOWED = DescribedPredicate.describe(
            "the JDK's values and streams of bytes, jsoup, Lucene, java-diff-utils and core itself",
            type -> type.getPackageName()
                            .matches(
                                    "(|lucidsweep\\.core|org\\.jsoup|org\\.apache\\.lucene|com\\.github\\.difflib)(\\..*)?")
                    || type.getPackageName().matches("java\\.(lang|util|text|nio\\.charset)(\\..*)?")
                    || type.getPackageName().equals("java.io")
                            && !type.getSimpleName().startsWith("File")
                            && !type.getSimpleName().equals("RandomAccessFile")
                    || type.getFullName().equals("jakarta.annotation.Nullable")
                    || type.getFullName().equals("java.net.URI")
                    || type.getFullName().matches("java.net.(URISyntaxException|URLDecoder|IDN)")
                    || type.isPrimitive()
                    || type.isArray());

    @ArchTest
    static final ArchRule coreKnowsNoFrameworkDatabaseNetworkFileOrClock =
            classes().should().onlyDependOnClassesThat(ALLOWED);

    @ArchTest
    static final ArchRule noCycles =
            slices().matching("lucidsweep.core.(*)..").should().beFreeOfCycles();
}
