String log = new File(basedir, 'build.log').text

assert new File(basedir, 'cellar/target/classes/com/example/estate/cellar/entity/Vessel.class').exists()
assert new File(basedir, 'press/target/classes/com/example/estate/presses/entity/Press.class').exists()
assert new File(basedir, 'labels/target/classes/com/example/estate/labels/Label.class').exists()
assert !new File(basedir, 'labels/.vinekit').exists()
assert !new File(basedir, '.vinekit').exists()
assert log.count('Nothing to do here: there is no vinekit.yaml and no generated code.') == 4
assert log.count('Nothing to write: the code is up to date.') == 2
assert !log.contains('not marked as thread-safe')
