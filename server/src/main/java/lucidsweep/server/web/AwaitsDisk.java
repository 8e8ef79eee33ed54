package lucidsweep.server.web;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/**
 * A request that waits itself until what it changed is on disk, and then for more that need not be: findings that follow are
 * worked out again if they are lost. It is answered without another wait.
 */
@Target(ElementType.METHOD)
@Retention(RetentionPolicy.RUNTIME)
public @interface AwaitsDisk {}
