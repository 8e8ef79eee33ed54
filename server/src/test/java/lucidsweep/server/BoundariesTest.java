package lucidsweep.server;

import static com.tngtech.archunit.core.domain.JavaCall.Predicates.target;
import static com.tngtech.archunit.core.domain.properties.HasName.Predicates.name;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchCondition;
import com.tngtech.archunit.lang.ArchRule;
import com.tngtech.archunit.lang.ConditionEvents;
import com.tngtech.archunit.lang.SimpleConditionEvent;
import org.apache.ibatis.annotations.Mapper;

@AnalyzeClasses(packages = "lucidsweep", importOptions = ImportOption.DoNotIncludeTests.class)
class BoundariesTest {

    @ArchTest
    static final ArchRule packagesHaveNoCycles =
            slices().matching("lucidsweep.server.(**)").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule stagesHaveNoCycles =
            slices().matching("lucidsweep.server.(*)..").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule nothingKnowsTheApplicationItself = noClasses()
            .that()
            .doNotHaveFullyQualifiedName(LucidSweep.class.getName())
            .should()
            .dependOnClassesThat()
            .haveFullyQualifiedName(LucidSweep.class.getName());

    @ArchTest
    static final ArchRule mappersStayInTheirStage = classes()
            .that()
            .areAnnotatedWith(Mapper.class)
            .should(new ArchCondition<JavaClass>("be used in their own stage only") {
                @Override
                public void check(JavaClass mapper, ConditionEvents events) {
                    mapper.getDirectDependenciesToSelf().stream()
                            .filter(use -> !stage(use.getOriginClass()).equals(stage(mapper)))
                            .forEach(use -> events.add(SimpleConditionEvent.violated(use, use.getDescription())));
                }
            });

    /** The stage that a class belongs to: "gather" for lucidsweep.server.gather.crawl.Crawl. */
    private static String stage(JavaClass type) {
        String[] names = type.getPackageName().split("\\.");
        return names.length > 2 ? names[2] : "";
    }

    @ArchTest
    static final ArchRule theOutsideWorldIsReachedOverHttp = noClasses()
            .that()
            .resideInAPackage("lucidsweep.server..")
            .should()
            .dependOnClassesThat()
            .resideInAPackage("lucidsweep.standins..");

    @ArchTest
    static final ArchRule coreKnowsNoServer = noClasses()
            .that()
            .resideInAPackage("lucidsweep.core..")
            .should()
            .dependOnClassesThat()
            .resideInAPackage("lucidsweep.server..");

    /** An interrupt while something is read from its file closes the database for everybody; those of a crawl read none. */
    @ArchTest
    static final ArchRule threadsThatMayReadTheDatabaseAreNotInterrupted = noClasses()
            .that()
            .resideInAPackage("lucidsweep.server..")
            .and()
            .resideOutsideOfPackage("lucidsweep.server.gather.crawl")
            .should()
            .callMethodWhere(target(name("shutdownNow")));

    private static final int MAX_PARTS = 12;

    @ArchTest
    static final ArchRule widerRecordsAreTakenApart = classes()
            .that()
            .areRecords()
            .should(new ArchCondition<JavaClass>("have at most " + MAX_PARTS + " parts") {
                @Override
                public void check(JavaClass type, ConditionEvents events) {
                    int parts = type.reflect().getRecordComponents().length;
                    if (parts > MAX_PARTS)
                        events.add(SimpleConditionEvent.violated(type, type.getName() + " has " + parts + " parts"));
                }
            });
}
