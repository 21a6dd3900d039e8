@echo off
rem Starts the application on Windows; builds it first when there is no build.
rem   NULLROOM_JAVA_OPTS  extra options for the JVM
rem   NULLROOM_REBUILD=1  build even though there is a build
setlocal
set "root=%~dp0"
set "java=java"
if defined JAVA_HOME set "java=%JAVA_HOME%\bin\java"
"%java%" -version >nul 2>&1
if errorlevel 1 (
  echo nullroom: needs a JDK 25 or newer; install one, or set JAVA_HOME to it. 1>&2
  exit /b 1
)
set "app=%root%app\target\app"
if defined NULLROOM_REBUILD goto build
if exist "%root%app\target\.built" goto start
:build
where mvn >nul 2>&1
if errorlevel 1 (
  echo nullroom: not built yet, and mvn ^(Maven^) is not on the PATH. Install Maven 3.6.3 or newer. 1>&2
  exit /b 1
)
echo nullroom: building ... 1>&2
call mvn -B -q -ntp -f "%root%pom.xml" -pl app -am -Dmaven.test.skip=true package 1>&2
if errorlevel 1 (
  echo nullroom: the build failed; the messages above say why. 1>&2
  exit /b 1
)
echo built> "%root%app\target\.built"
:start
rem a sound is measured before the slower of the two compilers has paid for itself
set "quick="
if "%~1"=="measure" set "quick=-XX:TieredStopAtLevel=1"
"%java%" %quick% --enable-native-access=javafx.graphics,org.bytedeco.javacpp,org.bytedeco.ffmpeg --add-modules=ALL-MODULE-PATH %NULLROOM_JAVA_OPTS% -p "%app%" -m nullroom.app/nullroom.app.Main %*
exit /b %errorlevel%
