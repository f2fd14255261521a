<!doctype html>
<html lang="en">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <meta name="color-scheme" content="light dark">
    <title>Foehn</title>
    <link rel="icon" href="data:image/svg+xml,%3Csvg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 16 16'%3E%3Crect width='16' height='16' rx='4' fill='%23232f36'/%3E%3Cpath d='M3 11c3 0 3-6 6-6 2 0 3 1 4 2' stroke='%23f0a03c' stroke-width='2' fill='none'/%3E%3C/svg%3E">
    @vite('resources/js/main.tsx')
</head>
<body><div id="root"></div></body>
</html>
