/** What holds of every table whose rows are listed, read, replaced, patched and deleted, and that has rules. */
public interface CrudContract<R extends Record, I extends Record>
        extends OrderContract<R>, ReadContract<R, I>, ReplaceContract<R, I>, PatchContract<R, I>, DeleteContract<R, I>,
                RulesContract<R, I> {
}
