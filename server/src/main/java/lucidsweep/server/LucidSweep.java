package lucidsweep.server;

import io.swagger.v3.oas.annotations.OpenAPIDefinition;
import io.swagger.v3.oas.annotations.info.Info;
import io.swagger.v3.oas.annotations.servers.Server;
import lucidsweep.server.command.LucidCommand;
import lucidsweep.server.startup.StartProblem;
import org.apache.ibatis.annotations.Mapper;
import org.mybatis.spring.annotation.MapperScan;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.scheduling.annotation.EnableScheduling;

/** The application; started with the words of a command it runs that and ends. */
@SpringBootApplication
@EnableScheduling
// With the port of the moment each build would describe another API, and the interface be built anew.
@OpenAPIDefinition(info = @Info(title = "Lucid Sweep", version = "1"), servers = @Server(url = "/"))
@MapperScan(basePackageClasses = LucidSweep.class, annotationClass = Mapper.class)
public class LucidSweep {

    public static void main(String[] args) {
        if (args.length > 0 && !args[0].startsWith("--")) System.exit(LucidCommand.run(LucidSweep.class, args));
        try {
            SpringApplication.run(LucidSweep.class, args);
        } catch (RuntimeException e) {
            System.err.println(StartProblem.said(e));
            System.exit(1);
        }
    }
}
