/** Long section through the made-up theatre of the demo project: foyer, auditorium, stage and scene dock. */
export function PlayhouseSection() {
  return (
    <svg
      viewBox="-6 20 1192 372"
      className="block w-full"
      role="img"
      aria-label="Long section through foyer, auditorium, stage and scene dock"
    >
      <rect x="-5.3" y="352.7" width="1181" height="13" fill="#EFE8D7" />
      <path
        d="M-0.8 353.1l-6 7M8.5 353.1l-6 7M17.8 353.1l-6 7M27.1 353.1l-6 7M36.5 353.1l-6 7M45.8 353.1l-6 7M55.1 353.1l-6 7M64.4 353.1l-6 7M73.8 353.1l-6 7M83.1 353.1l-6 7M92.4 353.1l-6 7M101.7 353.1l-6 7M111 353.1l-6 7M120.4 353.1l-6 7M129.7 353.1l-6 7M139 353.1l-6 7M148.3 353.1l-6 7M157.7 353.1l-6 7M167 353.1l-6 7M176.3 353.1l-6 7M185.6 353.1l-6 7M195 353.1l-6 7M204.3 353.1l-6 7M213.6 353.1l-6 7M222.9 353.1l-6 7M232.3 353.1l-6 7M241.6 353.1l-6 7M250.9 353.1l-6 7M260.2 353.1l-6 7M269.6 353.1l-6 7M278.9 353.1l-6 7M288.2 353.1l-6 7M297.5 353.1l-6 7M306.9 353.1l-6 7M316.2 353.1l-6 7M325.5 353.1l-6 7M334.8 353.1l-6 7M344.1 353.1l-6 7M353.5 353.1l-6 7M362.8 353.1l-6 7M372.1 353.1l-6 7M381.4 353.1l-6 7M390.8 353.1l-6 7M400.1 353.1l-6 7M409.4 353.1l-6 7M418.7 353.1l-6 7M428.1 353.1l-6 7M437.4 353.1l-6 7M446.7 353.1l-6 7M456 353.1l-6 7M465.4 353.1l-6 7M474.7 353.1l-6 7M484 353.1l-6 7M493.3 353.1l-6 7M502.7 353.1l-6 7M512 353.1l-6 7M521.3 353.1l-6 7M530.6 353.1l-6 7M540 353.1l-6 7M549.3 353.1l-6 7M558.6 353.1l-6 7M567.9 353.1l-6 7M577.2 353.1l-6 7M586.6 353.1l-6 7M595.9 353.1l-6 7M605.2 353.1l-6 7M614.5 353.1l-6 7M623.9 353.1l-6 7M633.2 353.1l-6 7M642.5 353.1l-6 7M651.8 353.1l-6 7M661.2 353.1l-6 7M670.5 353.1l-6 7M679.8 353.1l-6 7M689.1 353.1l-6 7M698.5 353.1l-6 7M707.8 353.1l-6 7M717.1 353.1l-6 7M726.4 353.1l-6 7M735.8 353.1l-6 7M745.1 353.1l-6 7M754.4 353.1l-6 7M763.7 353.1l-6 7M773.1 353.1l-6 7M782.4 353.1l-6 7M791.7 353.1l-6 7M801 353.1l-6 7M810.3 353.1l-6 7M819.7 353.1l-6 7M829 353.1l-6 7M838.3 353.1l-6 7M847.6 353.1l-6 7M857 353.1l-6 7M866.3 353.1l-6 7M875.6 353.1l-6 7M884.9 353.1l-6 7M894.3 353.1l-6 7M903.6 353.1l-6 7M912.9 353.1l-6 7M922.2 353.1l-6 7M931.6 353.1l-6 7M940.9 353.1l-6 7M950.2 353.1l-6 7M959.5 353.1l-6 7M968.9 353.1l-6 7M978.2 353.1l-6 7M987.5 353.1l-6 7M996.8 353.1l-6 7M1006.2 353.1l-6 7M1015.5 353.1l-6 7M1024.8 353.1l-6 7M1034.1 353.1l-6 7M1043.4 353.1l-6 7M1052.8 353.1l-6 7M1062.1 353.1l-6 7M1071.4 353.1l-6 7M1080.7 353.1l-6 7M1090.1 353.1l-6 7M1099.4 353.1l-6 7M1108.7 353.1l-6 7M1118 353.1l-6 7M1127.4 353.1l-6 7M1136.7 353.1l-6 7M1146 353.1l-6 7M1155.3 353.1l-6 7M1164.7 353.1l-6 7"
        stroke="#B3A68D"
        strokeWidth=".8"
      />
      <path d="M-5.3 352.7L1175.8 352.7" fill="none" stroke="#51473C" strokeWidth="1" />
      <path d="M41.3 352.7L953.8 352.7L953.8 346L41.3 346z" fill="url(#concrete)" stroke="#231E19" strokeWidth="1.300" />
      <rect x="48" y="201.1" width="10" height="144.9" fill="url(#concrete-light)" stroke="#231E19" strokeWidth="1" />
      <rect x="134.6" y="201.1" width="10" height="144.9" fill="url(#concrete-light)" stroke="#231E19" strokeWidth="1" />
      <rect x="230" y="201.1" width="10" height="144.9" fill="url(#concrete-light)" stroke="#231E19" strokeWidth="1" />
      <path d="M41.3 201.1L247.8 201.1L247.8 195L41.3 195z" fill="url(#concrete)" stroke="#231E19" strokeWidth="1.300" />
      <path d="M41.3 110.7L247.8 110.7L247.8 105.1L41.3 105.1z" fill="url(#concrete)" stroke="#231E19" strokeWidth="1.300" />
      <path d="M241.1 346L247.8 346L247.8 75.2L241.1 75.2z" fill="url(#concrete)" stroke="#231E19" strokeWidth="1.300" />
      <path d="M41.3 195L46.9 195L46.9 110.7L41.3 110.7z" fill="url(#concrete)" stroke="#231E19" strokeWidth="1.300" />
      <path d="M50.2 189.5L238.9 189.5" fill="none" stroke="#51473C" strokeWidth="0.5" strokeDasharray="2 3" />
      <path d="M44.2 346L44.2 201.7" fill="none" stroke="#51473C" strokeWidth="0.9" />
      <path d="M41.3 275L48 275" fill="none" stroke="#51473C" strokeWidth="0.7" />
      <path
        d="M247.8 279.4L318.8 279.4L344.4 279.4L344.4 283.4L369.9 283.4L369.9 287.4L395.4 287.4L395.4 291.4L421 291.4L421 295.4L446.5 295.4L446.5 299.4L472 299.4L472 303.4L497.5 303.4L497.5 307.4L523.1 307.4L523.1 311.4L548.6 311.4L548.6 315.4L574.1 315.4L574.1 319.4L599.7 319.4L599.7 323.4L625.2 323.4L625.2 327.4L650.7 327.4L650.7 331.3L676.3 331.3L676.3 335.3L705.1 335.3L705.1 340.9L323.3 286.1L247.8 286.1z"
        fill="url(#concrete)"
        stroke="#231E19"
        strokeWidth="1.300"
      />
      <path
        d="M247.8 170.6L275.5 170.6L275.5 179.9L303.3 179.9L303.3 189.3L331.1 189.3L331.1 198.6L358.8 198.6L358.8 207.9L386.6 207.9L386.6 217.2L414.3 217.2L414.3 226.6L442.1 226.6L442.1 235.9L474.2 235.9L474.2 241.4L460.9 241.4L460.9 254.8L453.1 254.8L453.1 247L247.8 190.6z"
        fill="url(#concrete)"
        stroke="#231E19"
        strokeWidth="1.300"
      />
      <path d="M470.9 235.9L474.2 235.9L474.2 214.8L470.9 214.8z" fill="url(#concrete)" stroke="#231E19" strokeWidth="1.300" />
      <path d="M329.9 258.3L332.2 270.1H342.1M337.7 270.1V279.4" fill="none" stroke="#51473C" strokeWidth="1" />
      <path d="M355.5 262.3L357.7 274.1H367.7M363.2 274.1V283.4" fill="none" stroke="#51473C" strokeWidth="1" />
      <path d="M381 266.3L383.2 278.1H393.2M388.8 278.1V287.4" fill="none" stroke="#51473C" strokeWidth="1" />
      <path d="M406.5 270.3L408.8 282.1H418.7M414.3 282.1V291.4" fill="none" stroke="#51473C" strokeWidth="1" />
      <path d="M432.1 274.3L434.3 286.1H444.3M439.8 286.1V295.4" fill="none" stroke="#51473C" strokeWidth="1" />
      <path d="M457.6 278.3L459.8 290.1H469.8M465.4 290.1V299.4" fill="none" stroke="#51473C" strokeWidth="1" />
      <path d="M483.1 282.3L485.3 294.1H495.3M490.9 294.1V303.4" fill="none" stroke="#51473C" strokeWidth="1" />
      <path d="M508.6 286.3L510.9 298H520.9M516.4 298V307.4" fill="none" stroke="#51473C" strokeWidth="1" />
      <path d="M534.2 290.3L536.4 302H546.4M541.9 302V311.4" fill="none" stroke="#51473C" strokeWidth="1" />
      <path d="M559.7 294.3L561.9 306H571.9M567.5 306V315.4" fill="none" stroke="#51473C" strokeWidth="1" />
      <path d="M585.2 298.3L587.5 310H597.4M593 310V319.4" fill="none" stroke="#51473C" strokeWidth="1" />
      <path d="M610.8 302.3L613 314H623M618.5 314V323.4" fill="none" stroke="#51473C" strokeWidth="1" />
      <path d="M636.3 306.3L638.5 318H648.5M644.1 318V327.4" fill="none" stroke="#51473C" strokeWidth="1" />
      <path d="M661.8 310.3L664 322H674M669.6 322V331.3" fill="none" stroke="#51473C" strokeWidth="1" />
      <path d="M258.9 149.5L261.1 161.3H271.1M266.7 161.3V170.6" fill="none" stroke="#51473C" strokeWidth="1" />
      <path d="M286.6 158.9L288.9 170.6H298.9M294.4 170.6V179.9" fill="none" stroke="#51473C" strokeWidth="1" />
      <path d="M314.4 168.2L316.6 179.9H326.6M322.2 179.9V189.3" fill="none" stroke="#51473C" strokeWidth="1" />
      <path d="M342.1 177.5L344.4 189.3H354.4M349.9 189.3V198.6" fill="none" stroke="#51473C" strokeWidth="1" />
      <path d="M369.9 186.8L372.1 198.6H382.1M377.7 198.6V207.9" fill="none" stroke="#51473C" strokeWidth="1" />
      <path d="M397.6 196.1L399.9 207.9H409.9M405.4 207.9V217.2" fill="none" stroke="#51473C" strokeWidth="1" />
      <path d="M425.4 205.5L427.6 217.2H437.6M433.2 217.2V226.6" fill="none" stroke="#51473C" strokeWidth="1" />
      <path d="M454.3 214.8L456.5 226.6H466.5M462 226.6V235.9" fill="none" stroke="#51473C" strokeWidth="1" />
      <rect x="453.1" y="254.8" width="7.8" height="49.1" fill="url(#concrete-light)" stroke="#231E19" strokeWidth="1" />
      <path d="M247.8 75.2L749.5 75.2L749.5 69.6L247.8 69.6z" fill="url(#concrete)" stroke="#231E19" strokeWidth="1.300" />
      <path d="M739.5 183.9L749.5 183.9L749.5 152.9L739.5 152.9z" fill="url(#concrete)" stroke="#231E19" strokeWidth="1.300" />
      <path d="M744.4 152.9L744.4 75.2" fill="none" stroke="#51473C" strokeWidth="0.8" />
      <path d="M749.5 152.9L749.5 75.2" fill="none" stroke="#51473C" strokeWidth="0.8" />
      <path d="M739.5 152.9L739.5 75.2" fill="none" stroke="#51473C" strokeWidth="0.8" />
      <path d="M744.4 183.9L744.4 321.6" fill="none" stroke="#51473C" strokeWidth="0.6" strokeDasharray="5 3" />
      <path d="M705.1 327.1L953.8 327.1L953.8 321.6L705.1 321.6z" fill="url(#concrete)" stroke="#231E19" strokeWidth="1.300" />
      <path d="M705.1 346L710.7 346L710.7 327.1L705.1 327.1z" fill="url(#concrete)" stroke="#231E19" strokeWidth="1.300" />
      <path d="M947.1 346L953.8 346L953.8 235L947.1 235z" fill="url(#concrete)" stroke="#231E19" strokeWidth="1.300" />
      <path d="M947.1 218.4L953.8 218.4L953.8 30.8L947.1 30.8z" fill="url(#concrete)" stroke="#231E19" strokeWidth="1.300" />
      <path d="M739.5 30.8L953.8 30.8L953.8 25.2L739.5 25.2z" fill="url(#concrete)" stroke="#231E19" strokeWidth="1.300" />
      <path d="M739.5 75.2L746.2 75.2L746.2 30.8L739.5 30.8z" fill="url(#concrete)" stroke="#231E19" strokeWidth="1.300" />
      <path d="M758.4 53L940.4 53" fill="none" stroke="#51473C" strokeWidth="0.8" />
      <path d="M780.6 53L780.6 132.9" fill="none" stroke="#51473C" strokeWidth="0.6" />
      <path d="M773.9 132.9L787.3 132.9" fill="none" stroke="#51473C" strokeWidth="1.1" />
      <path d="M802.8 53L802.8 108.5" fill="none" stroke="#51473C" strokeWidth="0.6" />
      <path d="M796.1 108.5L809.5 108.5" fill="none" stroke="#51473C" strokeWidth="1.1" />
      <path d="M825 53L825 84" fill="none" stroke="#51473C" strokeWidth="0.6" />
      <path d="M818.3 84L831.7 84" fill="none" stroke="#51473C" strokeWidth="1.1" />
      <path d="M847.2 53L847.2 132.9" fill="none" stroke="#51473C" strokeWidth="0.6" />
      <path d="M840.5 132.9L853.9 132.9" fill="none" stroke="#51473C" strokeWidth="1.1" />
      <path d="M869.4 53L869.4 108.5" fill="none" stroke="#51473C" strokeWidth="0.6" />
      <path d="M862.7 108.5L876.1 108.5" fill="none" stroke="#51473C" strokeWidth="1.1" />
      <path d="M891.6 53L891.6 84" fill="none" stroke="#51473C" strokeWidth="0.6" />
      <path d="M884.9 84L898.3 84" fill="none" stroke="#51473C" strokeWidth="1.1" />
      <path d="M913.8 53L913.8 132.9" fill="none" stroke="#51473C" strokeWidth="0.6" />
      <path d="M907.1 132.9L920.5 132.9" fill="none" stroke="#51473C" strokeWidth="1.1" />
      <path d="M946 235L954.9 235L954.9 218.4L946 218.4z" fill="url(#concrete)" stroke="#231E19" strokeWidth="1.300" />
      <path d="M953.8 372.6L1135.8 372.6L1135.8 368.2L953.8 368.2z" fill="url(#concrete)" stroke="#231E19" strokeWidth="1.300" />
      <path d="M1130.3 368.2L1135.8 368.2L1135.8 199.5L1130.3 199.5z" fill="url(#concrete)" stroke="#231E19" strokeWidth="1.300" />
      <path d="M953.8 203.9L1135.8 203.9L1135.8 199.5L953.8 199.5z" fill="url(#concrete)" stroke="#231E19" strokeWidth="1.300" />
      <path d="M947.1 372.6L953.8 372.6L953.8 346L947.1 346z" fill="url(#concrete)" stroke="#231E19" strokeWidth="1.300" />
      <path d="M1135.8 352.7L1175.8 352.7" fill="none" stroke="#51473C" strokeWidth="1" />
      <rect x="984.8" y="319.4" width="3.6" height="48.8" fill="none" stroke="#51473C" strokeWidth=".8" />
      <rect x="1018.1" y="301.6" width="3.6" height="66.6" fill="none" stroke="#51473C" strokeWidth=".8" />
      <rect x="1051.4" y="319.4" width="3.6" height="48.8" fill="none" stroke="#51473C" strokeWidth=".8" />
      <rect x="1084.7" y="301.6" width="3.6" height="66.6" fill="none" stroke="#51473C" strokeWidth=".8" />
      <circle cx="816.1" cy="285.6" r="2.4" fill="#51473C" />
      <path d="M816.1 288.3L812.6 321.6H819.7z" fill="#51473C" />
      <circle cx="179" cy="310" r="2.4" fill="#51473C" />
      <path d="M179 312.7L175.4 346H182.5z" fill="#51473C" />
      <circle cx="192.3" cy="310" r="2.4" fill="#51473C" />
      <path d="M192.3 312.7L188.7 346H195.9z" fill="#51473C" />
      <circle cx="212.3" cy="159.1" r="2.4" fill="#51473C" />
      <path d="M212.3 161.7L208.7 195H215.8z" fill="#51473C" />
      <circle cx="1044.8" cy="332.2" r="2.4" fill="#51473C" />
      <path d="M1044.8 334.9L1041.2 368.2H1048.3z" fill="#51473C" />
      <path d="M274.4 104Q310 85.2 345.5 90.7" fill="none" stroke="#51473C" strokeWidth="1.100" />
      <path d="M285.5 99.6L285.5 75.2" fill="none" stroke="#51473C" strokeWidth="0.5" />
      <path d="M334.4 86.3L334.4 75.2" fill="none" stroke="#51473C" strokeWidth="0.5" />
      <path d="M363.2 95.1Q401 89.6 438.7 95.1" fill="none" stroke="#51473C" strokeWidth="1.100" />
      <path d="M374.3 90.7L374.3 75.2" fill="none" stroke="#51473C" strokeWidth="0.5" />
      <path d="M427.6 90.7L427.6 75.2" fill="none" stroke="#51473C" strokeWidth="0.5" />
      <path d="M456.5 90.7Q496.4 85.2 536.4 104" fill="none" stroke="#51473C" strokeWidth="1.100" />
      <path d="M467.6 86.3L467.6 75.2" fill="none" stroke="#51473C" strokeWidth="0.5" />
      <path d="M525.3 99.6L525.3 75.2" fill="none" stroke="#51473C" strokeWidth="0.5" />
      <path d="M554.2 97.4Q591.9 91.8 629.6 112.9" fill="none" stroke="#51473C" strokeWidth="1.100" />
      <path d="M565.3 92.9L565.3 75.2" fill="none" stroke="#51473C" strokeWidth="0.5" />
      <path d="M618.5 108.5L618.5 75.2" fill="none" stroke="#51473C" strokeWidth="0.5" />
      <path d="M647.4 104Q682.9 98.5 718.4 126.2" fill="none" stroke="#51473C" strokeWidth="1.100" />
      <path d="M658.5 99.6L658.5 75.2" fill="none" stroke="#51473C" strokeWidth="0.5" />
      <path d="M707.3 121.8L707.3 75.2" fill="none" stroke="#51473C" strokeWidth="0.5" />
      <path d="M248.9 170.6L248.9 115.1L296.6 115.1L296.6 155.1" fill="none" stroke="#51473C" strokeWidth="0.8" />
      <text x={272.2} y={126.2} textAnchor="middle" fontSize="11" fill="#51473C">
        control
      </text>
      <path d="M48 272.7L134.6 272.7" fill="none" stroke="#51473C" strokeWidth="0.5" strokeDasharray="2 3" />
      <path d="M711.8 344.9L736.2 344.9" fill="none" stroke="#51473C" strokeWidth="0.5" />
      <path d="M68 110.7L68 124" fill="none" stroke="#51473C" strokeWidth="0.6" />
      <path d="M64 124h8l-2 -3h-4z" fill="#51473C" />
      <path d="M94.6 110.7L94.6 124" fill="none" stroke="#51473C" strokeWidth="0.6" />
      <path d="M90.6 124h8l-2 -3h-4z" fill="#51473C" />
      <path d="M121.3 110.7L121.3 124" fill="none" stroke="#51473C" strokeWidth="0.6" />
      <path d="M117.3 124h8l-2 -3h-4z" fill="#51473C" />
      <path d="M147.9 110.7L147.9 124" fill="none" stroke="#51473C" strokeWidth="0.6" />
      <path d="M143.9 124h8l-2 -3h-4z" fill="#51473C" />
      <path d="M174.5 110.7L174.5 124" fill="none" stroke="#51473C" strokeWidth="0.6" />
      <path d="M170.5 124h8l-2 -3h-4z" fill="#51473C" />
      <path d="M201.2 110.7L201.2 124" fill="none" stroke="#51473C" strokeWidth="0.6" />
      <path d="M197.2 124h8l-2 -3h-4z" fill="#51473C" />
      <text x={96.8} y={297.2} textAnchor="middle" fontFamily="var(--font-serif)" fontStyle="italic" fontSize="14">
        foyer
      </text>
      <text x={587.5} y={215} textAnchor="middle" fontFamily="var(--font-serif)" fontStyle="italic" fontSize="14">
        auditorium
      </text>
      <text x={851.6} y={230.6} textAnchor="middle" fontFamily="var(--font-serif)" fontStyle="italic" fontSize="14">
        stage
      </text>
      <text x={1073.6} y={226.1} textAnchor="middle" fontFamily="var(--font-serif)" fontStyle="italic" fontSize="14">
        scene dock
      </text>
      <path d="M44 390L251.8 390" stroke="#51473C" strokeWidth="0.7" fill="none" />
      <path d="M45 393L51 387" stroke="#231E19" strokeWidth="1.300" />
      <path d="M244.8 393L250.8 387" stroke="#231E19" strokeWidth="1.300" />
      <text x={147.9} y={386.5} textAnchor="middle" fontSize="11" fill="#51473C">
        9.0 m
      </text>
      <path d="M243.8 390L749.1 390" stroke="#51473C" strokeWidth="0.7" fill="none" />
      <path d="M244.8 393L250.8 387" stroke="#231E19" strokeWidth="1.300" />
      <path d="M742.1 393L748.1 387" stroke="#231E19" strokeWidth="1.300" />
      <text x={496.4} y={386.5} textAnchor="middle" fontSize="11" fill="#51473C">
        22.4 m
      </text>
      <path d="M741.1 390L954.4 390" stroke="#51473C" strokeWidth="0.7" fill="none" />
      <path d="M742.1 393L748.1 387" stroke="#231E19" strokeWidth="1.300" />
      <path d="M947.4 393L953.4 387" stroke="#231E19" strokeWidth="1.300" />
      <text x={847.8} y={386.5} textAnchor="middle" fontSize="11" fill="#51473C">
        9.3 m
      </text>
      <path d="M946.4 390L1137.6 390" stroke="#51473C" strokeWidth="0.7" fill="none" />
      <path d="M947.4 393L953.4 387" stroke="#231E19" strokeWidth="1.300" />
      <path d="M1130.6 393L1136.6 387" stroke="#231E19" strokeWidth="1.300" />
      <text x={1042} y={386.5} textAnchor="middle" fontSize="11" fill="#51473C">
        8.3 m
      </text>
    </svg>
  );
}
