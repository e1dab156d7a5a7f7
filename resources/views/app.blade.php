<!doctype html>
<html lang="en">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <title>Jaunty Roster</title>
    <link rel="icon" href="/favicon.svg" type="image/svg+xml">
    {{-- Asked for before the styles that name them: text that is drawn in another letter first would jump. --}}
    @foreach (['sans/files/ibm-plex-sans-latin-400', 'sans/files/ibm-plex-sans-latin-600',
        'serif/files/ibm-plex-serif-latin-400', 'mono/files/ibm-plex-mono-latin-400'] as $letter)
    <link rel="preload" as="font" type="font/woff2" crossorigin
        href="{{ Vite::asset("node_modules/@fontsource/ibm-plex-{$letter}-normal.woff2") }}">
    @endforeach
    @vite('resources/js/main.ts')
</head>
<body>
    <div id="roster"></div>
    <noscript>Jaunty Roster needs JavaScript.</noscript>
</body>
</html>
