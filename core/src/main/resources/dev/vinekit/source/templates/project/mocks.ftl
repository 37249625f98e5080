# Mocks of interfaces need no agent in the virtual machine. Remove this file to mock final classes too.
mock-maker-subclass
