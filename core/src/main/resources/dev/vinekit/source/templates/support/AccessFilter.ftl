/** Lets nobody through to a method that {@link Requires} rights but those who have them. */
@Provider
public final class AccessFilter implements DynamicFeature {
    /** The property of a request that says whose it is, where that has been verified. */
    static final String CALLER = "caller";

    private final AccessTokens tokens;

    public AccessFilter(AccessTokens tokens) {
        this.tokens = tokens;
    }

    @Override
    public void configure(ResourceInfo method, FeatureContext context) {
        Requires requires = method.getResourceMethod().getAnnotation(Requires.class);
        if (requires != null) {
            context.register(new Check(tokens, List.of(requires.value())), Priorities.AUTHORIZATION);
        }
    }

    private record Check(AccessTokens tokens, List<AccessRight> rights) implements ContainerRequestFilter {
        @Override
        public void filter(ContainerRequestContext request) {
            SecurityContext caller = request.getProperty(CALLER) instanceof SecurityContext known ? known
                    : tokens.caller(request.getHeaderString(HttpHeaders.AUTHORIZATION));
            for (AccessRight right : rights) {
                if (!right.belongsTo(caller)) {
                    throw ProblemException.forbidden();
                }
            }
            request.setSecurityContext(caller);
        }
    }
}
