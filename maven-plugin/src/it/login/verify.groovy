String log = new File(basedir, 'build.log').text

assert log.contains('CASK: 1 column; key ID')
assert log.contains('Check vinekit.user, and the password of vinekit.server or vinekit.passwordVariable.')
assert log.contains('settings.xml has no server "nowhere".')
assert log.contains('The environment variable NO_SUCH_VARIABLE is not set.')
assert !log.contains('corked')
