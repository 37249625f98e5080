# Put target/app at /opt/${s.artifact}, the settings (DB_URL=... on lines of their own) into /etc/${s.artifact}.env, readable by
# root alone, and this file into /etc/systemd/system.<#if s.classArchive>
# A quicker start: in /opt/${s.artifact}, as root, once after each change,
#   java -Xlog:disable -XX:ArchiveClassesAtExit=classes.jsa -jar ${s.artifact}.jar rehearse
<#else>

</#if>
[Unit]
Description=${s.artifact}
Wants=network-online.target
After=network-online.target

[Service]
Type=exec
EnvironmentFile=/etc/${s.artifact}.env
WorkingDirectory=/opt/${s.artifact}
ExecStart=/usr/bin/java <#if s.classArchive>-XX:SharedArchiveFile=classes.jsa </#if>-jar ${s.artifact}.jar
# What Java ends with when it is told to stop.
SuccessExitStatus=143
# More than HTTP_LEAVE_SECONDS and HTTP_STOP_SECONDS together.
TimeoutStopSec=60
Restart=on-failure
RestartSec=2
LimitNOFILE=65536
DynamicUser=yes
StateDirectory=${s.artifact}
CapabilityBoundingSet=
LockPersonality=yes
NoNewPrivileges=yes
PrivateDevices=yes
PrivateTmp=yes
ProtectClock=yes
ProtectControlGroups=yes
ProtectHome=yes
ProtectKernelLogs=yes
ProtectKernelModules=yes
ProtectKernelTunables=yes
ProtectSystem=strict
RestrictAddressFamilies=AF_INET AF_INET6 AF_UNIX
RestrictNamespaces=yes
RestrictRealtime=yes
SystemCallArchitectures=native
UMask=0077

[Install]
WantedBy=multi-user.target
