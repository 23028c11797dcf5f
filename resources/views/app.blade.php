<!doctype html>
<html lang="en">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1, viewport-fit=cover">
    <title>Parlay</title>
    <link rel="icon" href="data:image/svg+xml,%3Csvg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 16 16'%3E%3Cpath d='M2 14 14 2M2 14h12' stroke='%231f5fa8' stroke-width='2' fill='none'/%3E%3C/svg%3E">
    @vite('resources/js/main.tsx')
</head>
<body><div id="parlay"></div></body>
</html>
