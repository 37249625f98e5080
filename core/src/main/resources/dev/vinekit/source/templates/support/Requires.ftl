/** The rights that a request needs, all of them. */
@Retention(RetentionPolicy.RUNTIME)
@Target(ElementType.METHOD)
public @interface Requires {
    AccessRight[] value();
}
