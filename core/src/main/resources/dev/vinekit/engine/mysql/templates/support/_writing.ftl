    /**
     * Runs a step that writes all elements at once or, if the database refuses that, one for each, which tells the
     * element that is refused.
     */
    public <E, T> List<T> writeAll(List<E> elements, Step<List<E>, List<T>> atOnce, Step<E, T> step) {
        try {
            return write(connection -> atOnce.run(connection, elements));
        } catch (ProblemException e) {
            if (e.problem().status() == 503) {
                throw e;
            }
            return writeEach(elements, step);
        }
    }

