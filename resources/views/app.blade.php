<!doctype html>
<html lang="en">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <title>Jaunty Roster</title>
    <link rel="icon" href="/favicon.svg" type="image/svg+xml">
    @vite('resources/js/main.ts')
</head>
<body>
    <div id="roster"></div>
    <noscript>Jaunty Roster needs JavaScript.</noscript>
</body>
</html>
