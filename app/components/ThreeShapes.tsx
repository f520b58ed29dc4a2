/** The product's sign, large: one pot in a standing, a square and a lying frame. Drawn, since nobody is signed in yet. */
export function ThreeShapes() {
  return (
    <svg
      viewBox="0 0 520 350"
      className="w-full max-w-[560px]"
      role="img"
      aria-label="One picture in a vertical, a square and a widescreen frame"
    >
      <defs>
        <linearGradient id="wall" x1="0" y1="0" x2="1" y2="1">
          <stop offset="0" stopColor="#f6efd6" />
          <stop offset="1" stopColor="#c3bfa3" />
        </linearGradient>
        <linearGradient id="clay" x1="0" y1="0" x2="1" y2="0">
          <stop offset="0" stopColor="#b05f3c" />
          <stop offset=".25" stopColor="#e39a70" />
          <stop offset="1" stopColor="#7a3a22" />
        </linearGradient>
        <linearGradient id="leaf" x1="0" y1="1" x2="1" y2="0">
          <stop offset="0" stopColor="#2f6b4f" />
          <stop offset="1" stopColor="#9ccbaa" />
        </linearGradient>
        <symbol id="pot" viewBox="0 0 200 200" overflow="visible">
          {[-64, -42, -22, 0, 22, 42, 64].map((turn) => (
            <path
              key={turn}
              d="M100 112C84 84 86 44 100 8c14 36 16 76 0 104z"
              fill="url(#leaf)"
              stroke="#1f4a37"
              strokeWidth="1"
              transform={`rotate(${turn} 100 112)`}
            />
          ))}
          <path d="M56 122h88l-12 72a8 8 0 0 1-8 6H76a8 8 0 0 1-8-6z" fill="url(#clay)" />
          <path d="M50 108h100v20H50z" fill="url(#clay)" />
          <path d="M50 108h100v4H50z" fill="#f3c3a4" opacity=".6" />
        </symbol>
      </defs>
      {[
        [0, 0, 196, 348],
        [214, 0, 162, 162],
        [214, 180, 299, 168],
      ].map(([x = 0, y = 0, width = 0, height = 0], index) => (
        <svg key={index} x={x} y={y} width={width} height={height}>
          <rect width={width} height={height} fill="url(#wall)" />
          <rect y={height * 0.8} width={width} height={height * 0.2} fill="#7c5534" />
          <use
            href="#pot"
            x={index === 2 ? width * 0.56 : width / 2 - 62}
            y={height * 0.9 - 124}
            width="124"
            height="124"
          />
          <rect
            x={width * 0.09}
            y={height * (index === 2 ? 0.34 : 0.07)}
            width={width * (index === 2 ? 0.34 : 0.62)}
            height="11"
            fill="#20282a"
          />
          <rect
            x={width * 0.09}
            y={height * (index === 2 ? 0.34 : 0.07) + 18}
            width={width * (index === 2 ? 0.24 : 0.42)}
            height="11"
            fill="#c0402a"
          />
        </svg>
      ))}
    </svg>
  );
}
