<!DOCTYPE html>
<html lang="en">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1, viewport-fit=cover">
    <meta name="color-scheme" content="light dark">
    <meta name="description" content="Plan, demonstrate and check off knot lessons.">
    <title>Compadre</title>
    <link rel="manifest" href="/app.webmanifest">
    <meta name="theme-color" content="#11242d">
    <link rel="icon" href="/mark.svg" type="image/svg+xml">
    @vite(['resources/js/main.ts'])
</head>
<body>
    <div id="app"><noscript>Compadre needs JavaScript to draw its knots.</noscript></div>
</body>
</html>
